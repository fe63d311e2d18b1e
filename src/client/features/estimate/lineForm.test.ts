/** The line's form to the contract and back. Nasty cases: only the likely given, commas as marks, letters, order, blanks. */
import { describe, expect, test } from '@jest/globals';
import type { EstimateLineView } from '#contract/estimate.ts';
import { differences, formOf, lineOf, newLine, type LineForm } from './lineForm.ts';

const inShop = (currency: string) => ({ currency, locale: 'en-GB' });
const form = (more: Partial<LineForm> = {}): LineForm => ({
  ...newLine(null, inShop('GBP')),
  title: 'Sill',
  ...more,
});
const three = (low: string, likely: string, high: string) => ({ low, likely, high });

describe('from the form', () => {
  test('only the likely value means no spread', () => {
    const made = lineOf(
      form({ minutes: three('', '1.5', ''), parts: three('', '46,50', '') }),
      inShop('GBP'),
    );
    expect(made).toMatchObject({
      line: { minutes: { low: 90, likely: 90, high: 90 }, parts: { low: 4650, likely: 4650, high: 4650 } },
    });
  });

  test('empty figures are nothing; spaces go, and empty words between commas', () => {
    expect(
      lineOf(form({ title: '  Sill ', access: 'engine out, , dash out ,' }), inShop('GBP')),
    ).toMatchObject({
      line: {
        title: 'Sill',
        access: ['engine out', 'dash out'],
        minutes: { low: 0, likely: 0, high: 0 },
        sundriesMinor: 0,
      },
    });
  });

  test('a currency without minor units, and one with three', () => {
    expect(lineOf(form({ sundries: '1200' }), inShop('JPY'))).toMatchObject({
      line: { sundriesMinor: 1200 },
    });
    expect(lineOf(form({ sundries: '1.234' }), inShop('KWD'))).toMatchObject({
      line: { sundriesMinor: 1234 },
    });
  });

  test.each([
    ['title', { title: ' ' }, 'say what is to be done'],
    ['minutes', { minutes: three('', 'two', '') }, 'hours, as in 1.5'],
    ['minutes', { minutes: three('3', '2', '4') }, 'the low is above the likely'],
    ['parts', { parts: three('1', '', '2') }, 'the likely one first'],
    ['outwork', { outwork: three('', '-5', '') }, 'an amount, as in 46.50'],
    ['sundries', { sundries: 'lots' }, 'an amount, as in 46.50'],
  ] as const)('%s: what is wrong is said there', (field, more, reason) => {
    expect(lineOf(form(more), inShop('GBP'))).toMatchObject({
      faults: expect.arrayContaining([{ field, reason }]),
    });
  });

  test('a safety line is always to be done', () => {
    expect(lineOf(form({ class: 'safety', proposal: 'wait' }), inShop('GBP'))).toMatchObject({
      line: { proposal: 'do' },
    });
  });
});

test('a line goes through its form unchanged', () => {
  const body = {
    title: 'Sill, nearside',
    why: 'rotten',
    class: 'must' as const,
    work: 'metalwork' as const,
    minutes: { low: 60, likely: 105, high: 240 },
    parts: { low: 1, likely: 4650, high: 9999 },
    outwork: { low: 0, likely: 0, high: 0 },
    sundriesMinor: 250,
    needs: ['other'],
    access: ['step off'],
    proposal: 'wait' as const,
    wish: 'can wait' as const,
    laterExtraMinor: 1200,
  };
  const line: EstimateLineView = {
    ...body,
    id: 'a',
    version: 3,
    findingId: null,
    discretionMinor: null,
    standing: { state: 'open', approvedMinor: 0 },
  };
  expect(lineOf(formOf(line, inShop('GBP')), inShop('GBP'))).toEqual({ line: body });
});

test('a finding brings what it said', () => {
  const finding = {
    id: 'f',
    text: 'found fork cracked, 40 and three hours, safety',
    subject: 'front fork',
    class: 'safety' as const,
    minutes: 180,
    moneyMinor: 4000,
  };
  expect(newLine(finding, inShop('GBP'))).toMatchObject({
    title: 'Front fork',
    class: 'safety',
    minutes: { likely: '3' },
    parts: { likely: '40.00' },
  });
});

test('what somebody else changed is said field by field, and nothing else', () => {
  const was = form({ why: 'Rotten', parts: three('', '46.50', ''), access: 'step off' });
  const now = form({ why: '', parts: three('40', '46.50', '60'), access: 'step off', class: 'must' });
  expect(differences(was, now)).toEqual([
    { field: 'Why', was: 'Rotten', now: 'nothing' },
    { field: 'Class', was: 'should', now: 'must' },
    { field: 'Parts', was: '– / 46.50 / –', now: '40 / 46.50 / 60' },
  ]);
  expect(differences(was, was)).toEqual([]);
});
