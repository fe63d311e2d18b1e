/** Routes of work. */
import type {
  BelongsDto,
  FollowUpDoneDto,
  HoursQueryDto,
  HoursView,
  PlaybookPutDto,
  PlaybookUseDto,
  PlaybookView,
  PlaybooksView,
  RunningView,
  ShopHoursPutDto,
  SpellStopDto,
  TaskActDto,
  TaskCountDto,
  TaskHoursDto,
  TaskPutDto,
  TaskStartDto,
  WorkView,
} from './work.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const workRead = get('/api/builds/:buildId/work', EVERYBODY).answers<WorkView>();

const playbooksRead = get('/api/shop/playbooks', EVERYBODY).answers<PlaybooksView>().about('playbooks');

export const workRoutes = {
  workRead,
  workRunning: get('/api/work/running', EVERYBODY).answers<RunningView>().about('clocks'),
  taskPut: put('/api/builds/:buildId/tasks/:taskId', EVERYBODY)
    .takes<TaskPutDto>()
    .answersAs(workRead)
    .about('clocks'),
  taskStart: post('/api/builds/:buildId/tasks/:taskId/start', EVERYBODY)
    .takes<TaskStartDto>()
    .answersAs(workRead)
    .about('clocks'),
  taskHours: post('/api/builds/:buildId/tasks/:taskId/hours', EVERYBODY)
    .takes<TaskHoursDto>()
    .answersAs(workRead)
    .about('clocks'),
  taskAct: post('/api/builds/:buildId/tasks/:taskId/act', EVERYBODY)
    .takes<TaskActDto>()
    .answersAs(workRead)
    .about('clocks'),
  taskCount: put('/api/builds/:buildId/tasks/:taskId/count', EVERYBODY)
    .takes<TaskCountDto>()
    .answersAs(workRead),
  spellStop: post('/api/builds/:buildId/spells/:spellId/stop', EVERYBODY)
    .takes<SpellStopDto>()
    .answersAs(workRead)
    .about('clocks'),
  entryBelongs: put('/api/builds/:buildId/entries/:entryId/belongs', EVERYBODY)
    .takes<BelongsDto>()
    .answersAs(workRead),
  hoursRead: get('/api/hours', EVERYBODY)
    .of('every build')
    .asks<HoursQueryDto>()
    .answers<HoursView>()
    .about('hours'),
  shopHoursPut: put('/api/hours/:hoursId', EVERYBODY)
    .takes<ShopHoursPutDto>()
    .answers<HoursView>()
    .about('hours'),
  followUpDone: post('/api/builds/:buildId/follow-ups/:followUpId', EVERYBODY)
    .takes<FollowUpDoneDto>()
    .answersAs(workRead),
  playbookUse: post('/api/builds/:buildId/playbooks', EVERYBODY).takes<PlaybookUseDto>().answersAs(workRead),
  playbooksRead,
  playbookRead: get('/api/shop/playbooks/:playbook', EVERYBODY).answers<PlaybookView>().about('playbooks'),
  playbookPut: put('/api/shop/playbooks/:playbook', ['owner'])
    .takes<PlaybookPutDto>()
    .answersAs(playbooksRead)
    .about('playbooks'),
} as const;
