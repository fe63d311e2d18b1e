/** The dialog of an estimate line. Nasty cases: taking it off by one press, amounts that can be read in two ways. */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { EstimateLineView, EstimateView } from '#contract/estimate.ts';
import { serve, show } from '#tests/support/page.tsx';
import { newLine, lineOf } from './lineForm.ts';
import LineDialog from './LineDialog.tsx';

const GBP = { currency: 'GBP', locale: 'en-GB' };
const made = lineOf({ ...newLine(null, GBP), title: 'Offside sill' }, GBP);
const line = {
  ...('line' in made ? made.line : {}),
  ...{ id: '019d0000-0000-7000-8000-000000000001', version: 3, proposal: 'do', findingId: null },
  ...{ standing: { state: 'open', approvedMinor: 0 }, discretionMinor: null },
} as unknown as EstimateLineView;
const estimate = {
  buildId: '019d0000-0000-7000-8000-000000000002',
  ...{ lines: [line], choices: [], findings: [], openings: [], revisions: [], answers: [] },
  terms: {
    ...{
      currency: 'GBP',
      rates: { mechanical: 6000, bodywork: 6000, paint: 6000, electrical: 6000, trim: 6000 },
    },
    ...{ taxBp: 2000, sundriesBp: 0, markupBp: 0 },
  },
} as unknown as EstimateView;

let server: ReturnType<typeof serve>;
afterEach(() => {
  cleanup();
  server.end();
});
const open = (): void => {
  server = serve(() => ({ body: { ...estimate, lines: [] } }));
  show(<LineDialog estimate={estimate} line={line} finding={null} onClose={() => undefined} />);
};
const press = (name: string): boolean => fireEvent.click(screen.getByRole('button', { name }));

test('a line goes when it was asked and answered, and stays when the answer is no', async () => {
  open();
  press('Take it off');
  expect(screen.getByRole('alert').textContent).toContain('Take “Offside sill” off the estimate?');
  expect(server.asked).toEqual([]);
  press('No, it stays');
  expect(screen.queryByRole('alert')).toBeNull();
  press('Take it off');
  press('Yes, take it off');
  await waitFor(() => expect(server.asked).toHaveLength(1));
  expect(server.asked[0]).toMatchObject({ method: 'DELETE', body: { version: 3 } });
  expect(server.asked[0]!.path).toContain(line.id);
});

test('what is typed of three amounts is said back as it was understood; what has two readings is asked', () => {
  open();
  const type = (name: string, value: string) =>
    fireEvent.change(screen.getByLabelText(name), { target: { value } });
  const said = (field: string): string | null =>
    document.querySelector(`[data-understood="${field}"]`)?.textContent ?? null;
  expect(said('parts')).toBeNull();
  type('low, Parts, GBP', '1,200');
  type('likely, Parts, GBP', '18,500');
  expect(said('parts')).toBe('£1,200.00 – £18,500.00');
  type('likely, Parts, GBP', '18.500');
  expect(said('parts')).toMatch(/^Is that 18500 or 18\.500\?/);
  type('likely, Hours', '1.5');
  expect(said('minutes')).toBe('1 h 30 min');
});
