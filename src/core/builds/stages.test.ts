/** The stages of a build. Nasty cases: closed twice, handed over while not roadworthy, reopened under a name that is taken. */
import { describe, expect, test } from '@jest/globals';
import { STAGES, stageInWords, stagesAfter, whyNotStage, type StageChange } from './stages.ts';

const change = (more: Partial<StageChange>): StageChange => ({
  ...{ from: 'open', to: 'finished', notRoadworthy: [], isOwner: true, word: '', nameTaken: false },
  ...more,
});

test('every stage but open can be reopened, and none leads to itself', () => {
  for (const stage of STAGES) {
    expect(stagesAfter(stage)).not.toContain(stage);
    if (stage !== 'open') expect(stagesAfter(stage)).toContain('open');
  }
  expect(whyNotStage(change({ from: 'closed', to: 'handed over' }))?.field).toBe('to');
});

describe('a car that is not roadworthy', () => {
  const handOver = (more: Partial<StageChange>) =>
    whyNotStage(
      change({ from: 'finished', to: 'handed over', notRoadworthy: ['brake hoses declined'], ...more }),
    );
  test('is handed over by the owner alone, who says why', () => {
    expect(handOver({ isOwner: false, word: 'on a trailer' })?.field).toBe('to');
    expect(handOver({})?.field).toBe('word');
    expect(handOver({ word: 'on a trailer' })).toBeNull();
    expect(
      stageInWords({ to: 'handed over', word: 'on a trailer', notRoadworthy: ['brake hoses declined'] }),
    ).toBe('Handed over, not roadworthy (brake hoses declined): on a trailer');
  });
  test('may be finished and closed', () =>
    expect(whyNotStage(change({ to: 'closed', notRoadworthy: ['brake hoses declined'] }))).toBeNull());
});

test('reopened only while its nickname is free', () => {
  expect(whyNotStage(change({ from: 'closed', to: 'open', nameTaken: true }))?.field).toBe('nickname');
  expect(whyNotStage(change({ from: 'closed', to: 'open' }))).toBeNull();
  expect(stageInWords({ to: 'open', word: '', notRoadworthy: [] })).toBe('Reopened');
});
