/** Playbooks as forms. Nasty cases: every playbook that ships, an hour that is none, a count without a number, names twice. */
import { describe, expect, test } from '@jest/globals';
import { readPlaybook } from '#core/work/playbook.ts';
import { PLAYBOOKS } from '#core/work/playbooks/index.ts';
import { contentOf, EMPTY_STEP, fieldOf, fieldsOf, keyFor } from './playbookForm.ts';

test.each(PLAYBOOKS.map((p) => [p.id, p] as const))('%s comes back from its form as it went in', (_id, p) =>
  expect(readPlaybook(contentOf(fieldsOf(p)))).toEqual({ playbook: p }),
);

describe('faults', () => {
  const base = fieldsOf(PLAYBOOKS[0]!);
  const faultsOf = (step: object): string[] => {
    const steps = [...base.steps, { ...EMPTY_STEP, key: 'new', title: 'New', hours: '1', ...step }];
    const read = readPlaybook(contentOf({ ...base, steps }));
    return 'faults' in read ? read.faults.map(fieldOf) : [];
  };
  const at = base.steps.length;
  const need = { step: base.steps[0]!.key, reason: 'first things first', atLeast: '', atMost: '' };
  test.each([
    [{}, []],
    [{ hours: '' }, []],
    [{ hours: 'soon' }, [`steps.${at}.hours`]],
    [{ title: ' ' }, [`steps.${at}.title`]],
    [{ countOf: 'rivets' }, [`steps.${at}.countTotal`]],
    [{ needs: [{ ...need, reason: '' }] }, [`steps.${at}.needs.0.reason`]],
    [{ needs: [{ ...need, atLeast: '24', atMost: '4' }] }, [`steps.${at}.needs.0.atMost`]],
    [{ needs: [{ ...need, step: 'nowhere' }] }, [`steps.${at}.needs.0.step`]],
    [{ when: 'weather dry' }, [`steps.${at}.when`]],
  ])('%j', (step, fields) => expect(faultsOf(step)).toEqual(fields));
});

test('names are made of the words, and never twice', () => {
  expect(keyFor('Étch primer, 2 coats!', [])).toBe('etch-primer-2-coats');
  expect(keyFor('Prime', ['prime', 'prime-2'])).toBe('prime-3');
  expect(keyFor('Ω', [])).toBe('step');
});
