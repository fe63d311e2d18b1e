import {
  BelongsDto,
  FollowUpDoneDto,
  HoursQueryDto,
  PlaybookPutDto,
  PlaybookUseDto,
  ShopHoursPutDto,
  SpellStopDto,
  TaskActDto,
  TaskCountDto,
  TaskHoursDto,
  TaskPutDto,
  TaskStartDto,
} from '#contract/work.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { putPlaybook, readOnePlaybook, readPlaybooks, usePlaybook } from './playbooks.service.ts';
import { finishFollowUp } from './followUps.service.ts';
import * as hours from './hours.service.ts';
import * as tasks from './tasks.service.ts';
import { putShopHours, readHours } from './shopHours.service.ts';
import { readRunning, readWork } from './workNow.ts';

export function workRoutes(deps: Deps): Feature {
  return {
    workRead: { run: ({ who, params }) => readWork(deps, who, params.buildId) },
    workRunning: { run: ({ who }) => readRunning(deps, who) },
    taskPut: {
      body: TaskPutDto,
      run: ({ who, params, body }) => tasks.putTask(deps, who, params.buildId, params.taskId, body),
    },
    taskStart: {
      body: TaskStartDto,
      run: ({ who, params, body }) => hours.startTask(deps, who, params.buildId, params.taskId, body),
    },
    spellStop: {
      body: SpellStopDto,
      run: ({ who, params, body }) => hours.stopSpell(deps, who, params.buildId, params.spellId, body),
    },
    taskHours: {
      body: TaskHoursDto,
      run: ({ who, params, body }) => hours.typeHours(deps, who, params.buildId, params.taskId, body),
    },
    taskAct: {
      body: TaskActDto,
      run: ({ who, params, body }) => tasks.actOnTask(deps, who, params.buildId, params.taskId, body),
    },
    taskCount: {
      body: TaskCountDto,
      run: ({ who, params, body }) => tasks.countOn(deps, who, params.buildId, params.taskId, body),
    },
    entryBelongs: {
      body: BelongsDto,
      run: ({ who, params, body }) => hours.settleEntry(deps, who, params.buildId, params.entryId, body),
    },
    hoursRead: { query: HoursQueryDto, run: ({ who, query }) => readHours(deps, who, query) },
    shopHoursPut: {
      body: ShopHoursPutDto,
      run: ({ who, params, body }) => putShopHours(deps, who, params.hoursId, body),
    },
    followUpDone: {
      body: FollowUpDoneDto,
      run: ({ who, params, body }) => finishFollowUp(deps, who, params.buildId, params.followUpId, body),
    },
    playbookUse: {
      body: PlaybookUseDto,
      run: ({ who, params, body }) => usePlaybook(deps, who, params.buildId, body),
    },
    playbooksRead: { run: ({ who }) => readPlaybooks(deps, who) },
    playbookRead: { run: ({ who, params }) => readOnePlaybook(deps, who, params.playbook) },
    playbookPut: {
      body: PlaybookPutDto,
      run: ({ who, params, body }) => putPlaybook(deps, who, params.playbook, body),
    },
  };
}
