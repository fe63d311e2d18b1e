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

export const workRoutes = {
  workRead: get('/api/builds/:buildId/work', EVERYBODY).answers<WorkView>(),
  workRunning: get('/api/work/running', EVERYBODY).answers<RunningView>(),
  taskPut: put('/api/builds/:buildId/tasks/:taskId', EVERYBODY).takes<TaskPutDto>().answers<WorkView>(),
  taskStart: post('/api/builds/:buildId/tasks/:taskId/start', EVERYBODY)
    .takes<TaskStartDto>()
    .answers<WorkView>(),
  taskHours: post('/api/builds/:buildId/tasks/:taskId/hours', EVERYBODY)
    .takes<TaskHoursDto>()
    .answers<WorkView>(),
  taskAct: post('/api/builds/:buildId/tasks/:taskId/act', EVERYBODY).takes<TaskActDto>().answers<WorkView>(),
  taskCount: put('/api/builds/:buildId/tasks/:taskId/count', EVERYBODY)
    .takes<TaskCountDto>()
    .answers<WorkView>(),
  spellStop: post('/api/builds/:buildId/spells/:spellId/stop', EVERYBODY)
    .takes<SpellStopDto>()
    .answers<WorkView>(),
  entryBelongs: put('/api/builds/:buildId/entries/:entryId/belongs', EVERYBODY)
    .takes<BelongsDto>()
    .answers<WorkView>(),
  hoursRead: get('/api/hours', EVERYBODY).of('every build').asks<HoursQueryDto>().answers<HoursView>(),
  shopHoursPut: put('/api/hours/:hoursId', EVERYBODY).takes<ShopHoursPutDto>().answers<HoursView>(),
  followUpDone: post('/api/builds/:buildId/follow-ups/:followUpId', EVERYBODY)
    .takes<FollowUpDoneDto>()
    .answers<WorkView>(),
  playbookUse: post('/api/builds/:buildId/playbooks', EVERYBODY).takes<PlaybookUseDto>().answers<WorkView>(),
  playbooksRead: get('/api/shop/playbooks', EVERYBODY).answers<PlaybooksView>(),
  playbookRead: get('/api/shop/playbooks/:playbook', EVERYBODY).answers<PlaybookView>(),
  playbookPut: put('/api/shop/playbooks/:playbook', ['owner'])
    .takes<PlaybookPutDto>()
    .answers<PlaybooksView>(),
} as const;
