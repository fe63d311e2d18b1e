/** How the states and kinds of an estimate are said on screen. */
import type { LineState } from '#core/approval/answers.ts';
import type { Work } from '#core/estimate/lines.ts';
import type { LineClass } from '#core/log/kinds.ts';

export const STATE_WORDS: Record<LineState, string> = {
  open: 'not sent yet',
  asked: 'waits for an answer',
  approved: 'agreed',
  waits: 'put off by the customer',
  declined: 'declined',
  'other way': 'another way was chosen',
  question: 'has a question about it',
  changed: 'changed since it was agreed',
};

export const WORK_WORDS: Record<Work, string> = {
  mechanical: 'mechanical',
  metalwork: 'metalwork',
  paint: 'paint',
  trim: 'trim',
  electrical: 'electrical',
  machining: 'machining',
};

export const CLASS_HELP: Record<LineClass, string> = {
  safety: 'safety: never put off',
  must: 'must: fails, or gets worse',
  should: 'should: better done now',
  nice: 'nice: a wish',
};
