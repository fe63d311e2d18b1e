/**
 * The bench on screen. Nasty cases: typed in another unit, a comma that could be either, a reading that cannot be, left and come back to, undone,
 * kept without an answer, kept twice, a shop’s own limits, the car’s own specification, a record that is signed, a reading of long ago.
 */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { BenchView, ReadingView } from '#contract/bench.ts';
import { calculatorNamed } from '#core/bench/registry/index.ts';
import { toldOf } from '#core/bench/registry/told.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import { allHere, dropHere } from '../../shared/device.ts';
import { sendAs } from '../outgoing/index.ts';
import CalculatorPage from './CalculatorPage.tsx';
import { ToldParts } from './Result.tsx';

const car = (more: Partial<BenchView> = {}): BenchView => ({ buildId: 'hearse', nickname: 'hearse', readings: [], specs: {}, ...more }); // prettier-ignore
const kept = (more: Partial<ReadingView> = {}): ReadingView => {
  const c = calculatorNamed('cornerWeights')!;
  const told = toldOf(c, c.example, c.work(c.example));
  return {
    ...{ id: 'r1', calculator: 'cornerWeights', what: 'with driver', moment: 'before', instrument: 'four scales', loaded: 'loaded' },
    ...{ input: c.example as Record<string, unknown>, told, verdict: told.verdict, entryId: 'e1', isWithdrawn: false, findingEntryId: null, closedBy: null },
    ...{ takenAt: '2026-03-09T10:00:00Z', person: 'Joss Arkwright' },
    ...more,
  }; // prettier-ignore
};

let limits: Record<string, unknown>;
let view: BenchView;
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
let server: ReturnType<typeof serve>;
beforeEach(() => {
  localStorage.clear();
  limits = {};
  view = car();
  answer = () => ({ body: view });
  // No canvas here: readings are kept without their picture.
  jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
  server = serve((asked) => {
    if (asked.path === '/api/bench/limits') return { body: { limits } };
    if (asked.path === '/api/builds/hearse/bench') return { body: view };
    return answer(asked);
  });
  sendAs('p');
});
afterEach(async () => {
  cleanup();
  sendAs(null);
  for (const a of await allHere('acts')) await dropHere('acts', a.id);
  server.end();
  jest.useRealTimers();
});

async function open(calculator: string, buildId?: string): Promise<void> {
  const at = buildId ? { pattern: '/builds/:buildId/bench/:calculator', at: `/builds/${buildId}/bench/${calculator}` } : { pattern: '/bench/:calculator', at: `/bench/${calculator}` }; // prettier-ignore
  show(<CalculatorPage />, at);
  await screen.findByRole('heading', { level: 1 });
}
const result = () => within(screen.getByRole('region', { name: 'Result' }));
const type = (name: string | RegExp, value: string, nth = 0): HTMLElement => {
  const field = screen.getAllByRole('textbox', { name })[nth]!;
  fireEvent.change(field, { target: { value } });
  return field;
};
const verdict = () => result().queryByRole('status')?.textContent ?? 'none';

describe('without a car', () => {
  test('nothing is said before anything is typed; the result stands with the last reading', async () => {
    await open('cornerWeights');
    expect(result().getByText('Nothing is measured yet.')).toBeDefined();
    type('Left front (kg)', '400');
    expect(result().getByText('Right front')).toBeDefined();
    type('Right front (kg)', '400');
    type('Left rear (kg)', '300');
    type('Right rear (kg)', '300');
    expect(verdict()).toBe('ok');
    type('Left front (kg)', '450 kg');
    expect(verdict()).toBe('not good');
    expect(await screen.findByRole('img', { name: 'Four corners' })).toBeDefined();
  });

  test('another unit is read and shown back; what could be either is asked, and a press answers', async () => {
    await open('cornerWeights');
    type('Left front (kg)', '900 lb');
    expect(screen.getByText('= 408.23313 kg')).toBeDefined();
    type('Left front (kg)', '1,250');
    expect(result().getByText(/still open/)).toBeDefined();
    const asked = within(screen.getByRole('group', { name: /which is meant/ }));
    fireEvent.click(asked.getByRole('button', { name: '1250 kg' }));
    expect((screen.getByRole('textbox', { name: 'Left front (kg)' }) as HTMLInputElement).value).toBe(
      '1250 kg',
    );
    expect(screen.queryByRole('group', { name: /which is meant/ })).toBeNull();
  });

  test('what cannot be is said at its field, with what could be; nothing is lost', async () => {
    await open('cornerWeights');
    fireEvent.click(screen.getByRole('button', { name: 'Show an example' }));
    type('Left front (kg)', '9000');
    expect(screen.getAllByText('must be from 0 up to 5000').length).toBeGreaterThan(0);
    expect(verdict()).toBe('none');
    type('Left front (kg)', 'heavy');
    expect(screen.getByText(/no number/)).toBeDefined();
    expect((screen.getByRole('textbox', { name: 'Right front (kg)' }) as HTMLInputElement).value).toBe('380');
  });

  test('Enter takes a value and goes on; undo goes back to it; what was typed is there after a reload', async () => {
    await open('cornerWeights');
    const first = type('Left front (kg)', '400');
    act(() => first.focus());
    fireEvent.keyDown(first, { key: 'Enter' });
    expect(document.activeElement).toBe(screen.getByRole('textbox', { name: 'Right front (kg)' }));
    expect(screen.getByText('✓ Left front: 400')).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Undo it' }));
    expect((first as HTMLInputElement).value).toBe('');
    expect(document.activeElement).toBe(first);
    type('Left front (kg)', '410');
    cleanup();
    await open('cornerWeights');
    expect((screen.getByRole('textbox', { name: 'Left front (kg)' }) as HTMLInputElement).value).toBe('410');
    fireEvent.click(screen.getByRole('button', { name: 'Begin anew' }));
    expect((screen.getByRole('textbox', { name: 'Left front (kg)' }) as HTMLInputElement).value).toBe('');
  });

  test('a played instrument streams into the field where one measures, and stops', async () => {
    await open('cornerWeights');
    jest.useFakeTimers();
    fireEvent.change(screen.getByLabelText(/^Measured with/), { target: { value: 'played' } });
    const field = screen.getByRole('textbox', { name: 'Left front (kg)' }) as HTMLInputElement;
    act(() => field.focus());
    act(() => void jest.advanceTimersByTime(450));
    expect(Math.abs(Number(field.value) - 420)).toBeLessThanOrEqual(1);
    act(() => field.blur());
    act(() => void fireEvent.change(field, { target: { value: '5' } }));
    act(() => void jest.advanceTimersByTime(1000));
    expect(field.value).toBe('5');
  });

  test('cells are as many as one says; a part is asked once it is opened', async () => {
    await open('tapSurvey');
    fireEvent.change(screen.getByRole('textbox', { name: 'Readings: how many' }), {
      target: { value: '12' },
    });
    expect(screen.getAllByRole('textbox', { name: /^Tap \d+$/ })).toHaveLength(12);
    fireEvent.click(screen.getByRole('button', { name: 'One less' }));
    expect(screen.getAllByRole('textbox', { name: /^Tap \d+$/ })).toHaveLength(11);
    expect(screen.queryByRole('textbox', { name: 'Double step from' })).toBeNull();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Limits to judge by' }));
    expect(screen.getByRole('textbox', { name: 'Double step from' })).toBeDefined();
  });

  test('cautions, sources with their marks, and why there is no picture', async () => {
    await open('isolation');
    expect(screen.getByRole('note', { name: 'Caution' }).textContent).toContain('never alone');
    expect(screen.getByText(/No picture: a resistance/)).toBeDefined();
    expect(screen.getByText(/UNECE R100, ISO 6469-3/).textContent).toContain('(published)');
    fireEvent.click(screen.getByRole('button', { name: 'Show an example' }));
    expect(screen.queryByRole('textbox', { name: 'Resistor (Ω)' })).toBeNull();
  });

  test('a tyre on a wheel of another seat is said in a box of its own', async () => {
    await open('seatMatch');
    type('Tyre', 'LT245/75R16');
    type('Wheel (in)', '16.5');
    expect(screen.getByRole('alert').textContent).toContain('5°, the other of 15°');
    type('Wheel (in)', '15');
    expect(screen.getByRole('alert').textContent).toContain('not of the same diameter');
    type('Wheel (in)', '16 in');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('an address that is none', async () => {
    show(<CalculatorPage />, { pattern: '/bench/:calculator', at: '/bench/constructor' });
    expect(await screen.findByRole('heading', { level: 1 })).toBeDefined();
    expect(screen.queryByRole('region', { name: 'Result' })).toBeNull();
  });
});

describe('limits', () => {
  test('the shop’s own stand in their fields; the car’s go before them', async () => {
    limits = { cornerWeights: { form: { targetCross_pct: '51' }, version: 3 } };
    view = car({
      specs: { cornerWeights: { form: { expectedTotal_kg: '1400', targetCross_pct: '52' }, version: 2 } },
    });
    await open('cornerWeights', 'hearse');
    expect((screen.getByRole('textbox', { name: /^Cross wanted/ }) as HTMLInputElement).value).toBe('52');
    expect((screen.getByRole('textbox', { name: /^It should weigh/ }) as HTMLInputElement).value).toBe(
      '1400',
    );
    type(/^It should weigh/, '1420');
    fireEvent.click(screen.getByRole('button', { name: 'Keep limits and measures as this car’s' }));
    await waitFor(() => expect(server.asked.some((a) => a.method === 'PUT')).toBe(true));
    expect(server.asked.find((a) => a.method === 'PUT')).toMatchObject({
      path: '/api/builds/hearse/bench/cornerWeights',
      body: { form: { targetCross_pct: '52', expectedTotal_kg: '1420' }, version: 2 },
    });
  });

  test('whoever clears a limit has the one that is kept, and is told', async () => {
    limits = { cornerWeights: { form: { targetCross_pct: '47' }, version: 3 } };
    await open('cornerWeights');
    fireEvent.click(screen.getByRole('button', { name: 'Show an example' }));
    type(/^Cross wanted/, '');
    expect(screen.getByText('= 47 %, as is kept')).toBeDefined();
    expect(result().queryByText(/50 % are wanted/)).toBeNull();
  });

  test('somebody else changed them: said, and nothing typed is lost', async () => {
    answer = () => refused(409, 'Somebody changed these meanwhile.');
    await open('cornerWeights');
    type(/^Cross wanted/, '51');
    fireEvent.click(screen.getByRole('button', { name: 'Keep the limits for all cars of the shop' }));
    expect((await screen.findByText('Somebody changed these meanwhile.')).getAttribute('role')).toBe('alert');
    expect((screen.getByRole('textbox', { name: /^Cross wanted/ }) as HTMLInputElement).value).toBe('51');
  });
});

describe('kept with a car', () => {
  /** One figure of one’s own in place of the example’s. */
  const measure = (): void => void type(/^Left front/, '421');
  const keepIt = (): void => void fireEvent.click(screen.getByRole('button', { name: 'Keep this reading' }));

  test('what, when, how and with what; the next one is another', async () => {
    await open('cornerWeights', 'hearse');
    fireEvent.click(screen.getByRole('button', { name: 'Show an example' }));
    // Made-up figures are no reading of a car.
    expect(screen.getByRole('button', { name: 'Keep this reading' })).toHaveProperty('disabled', true);
    measure();
    type('Of what', 'with driver');
    fireEvent.change(screen.getByLabelText('When'), { target: { value: 'after' } });
    fireEvent.change(screen.getByLabelText('The car stood'), { target: { value: 'loaded' } });
    fireEvent.click(screen.getByRole('checkbox', { name: /^Tell the customer/ }));
    keepIt();
    await screen.findByText('Kept.');
    keepIt();
    await waitFor(() => expect(server.asked.filter((a) => a.method === 'PUT')).toHaveLength(2));
    const [one, other] = server.asked.filter((a) => a.method === 'PUT');
    expect(one!.body).toMatchObject({ calculator: 'cornerWeights', what: 'with driver', moment: 'after', loaded: 'loaded', forCustomer: true, input: { lf_kg: 421 } }); // prettier-ignore
    expect(one!.path).not.toBe(other!.path);
    expect(one!.body!.entryId).not.toBe(other!.body!.entryId);
  });

  test('nobody answers: it is kept on the device, and goes later', async () => {
    answer = () => null;
    await open('cornerWeights', 'hearse');
    fireEvent.click(screen.getByRole('button', { name: 'Show an example' }));
    measure();
    keepIt();
    await screen.findByText(/Kept on this device/);
    expect(await allHere('acts')).toHaveLength(1);
  });

  test('money and units are no readings of a car', async () => {
    await open('earnedValue', 'hearse');
    fireEvent.click(screen.getByRole('button', { name: 'Show an example' }));
    expect(verdict()).toBe('not good');
    expect(screen.queryByRole('region', { name: 'Keep it' })).toBeNull();
  });

  test('earlier ones: by whom and with what, put into the fields again, a finding made of one', async () => {
    view = car({ readings: [kept(), kept({ id: 'r2', calculator: 'driveline' })] });
    answer = () => {
      view = car({ readings: [kept({ findingEntryId: 'e1' })] });
      return { body: view };
    };
    await open('cornerWeights', 'hearse');
    const list = within(screen.getByRole('region', { name: 'Readings so far' }));
    expect(list.getAllByRole('listitem', { name: '' }).filter((li) => li.id !== '')).toHaveLength(1);
    expect(
      list.getByText(/with driver, before the work, loaded, with four scales, Joss Arkwright/),
    ).toBeDefined();
    fireEvent.click(list.getByRole('button', { name: 'Put its readings in the fields', hidden: true }));
    expect((screen.getByRole('textbox', { name: 'Left front (kg)' }) as HTMLInputElement).value).toBe('420');
    fireEvent.click(list.getByRole('button', { name: 'Make a finding of it' }));
    await screen.findByText(/It is a finding now/);
    const sent = server.asked.find((a) => a.path.endsWith('/readings/r1/finding'))!;
    expect(sent.body!.text).toContain('Corner weights, with driver: not good.');
    expect(screen.getByRole('link', { name: 'Put a price on it' })).toBeDefined();
  });

  test('one that was wrong is withdrawn after a question, and counts no more', async () => {
    view = car({ readings: [kept({ entryId: 'e7' })] });
    answer = () => {
      view = car({ readings: [kept({ entryId: 'e7', isWithdrawn: true })] });
      return { body: {} };
    };
    await open('cornerWeights', 'hearse');
    fireEvent.click(screen.getByRole('button', { name: 'It was wrong' }));
    fireEvent.click(screen.getByRole('button', { name: 'Let it stand' }));
    fireEvent.click(screen.getByRole('button', { name: 'It was wrong' }));
    fireEvent.click(screen.getByRole('button', { name: 'Withdraw it' }));
    expect(await screen.findByText('Withdrawn: it no longer counts.')).toBeDefined();
    expect(screen.queryByRole('button', { name: 'Make a finding of it' })).toBeNull();
    expect(server.asked.find((a) => a.path.endsWith('/corrections'))!.body).toMatchObject({
      correctsId: 'e7',
      withdraw: true,
    });
  });

  test('one whose finding is closed says so', async () => {
    view = car({ readings: [kept({ findingEntryId: 'e1', closedBy: 'r9' })] });
    await open('cornerWeights', 'hearse');
    expect(screen.getByText(/Its finding is closed/)).toBeDefined();
    expect(screen.queryByRole('button', { name: 'Make a finding of it' })).toBeNull();
  });
});

describe('the shop’s own calibration', () => {
  test('takes the finished work of the shop; where there is none yet it says what is missing', async () => {
    answer = () => ({ body: { jobs: [] } });
    await open('estimateCalibration');
    const take = (): void =>
      void fireEvent.click(screen.getByRole('button', { name: 'Take the shop’s finished work' }));
    take();
    expect(await screen.findByText(/^No line of an estimate is finished yet/)).toBeDefined();
    const job = { title: 'Sills', nickname: 'hearse', estimatedMinutes: 600, tookMinutes: 905 };
    answer = () => ({
      body: {
        jobs: [
          { ...job, kind: 'metalwork' },
          { ...job, kind: 'paint', tookMinutes: 600 },
        ],
      },
    });
    type('New job, kind', 'metalwork');
    take();
    await waitFor(() =>
      expect((screen.getAllByRole('textbox', { name: 'Took (h)' })[0] as HTMLInputElement).value).toBe(
        '15.08',
      ),
    );
    expect(
      screen.getAllByRole('textbox', { name: 'Kind' }).map((f) => (f as HTMLInputElement).value),
    ).toEqual(['metalwork', 'paint']);
    // What was typed of the new job stays.
    expect((screen.getByRole('textbox', { name: 'New job, kind' }) as HTMLInputElement).value).toBe(
      'metalwork',
    );
    type(/^New job, estimated/, '20');
    expect(result().getByText('It will take')).toBeDefined();
  });
});

describe('a record that is signed', () => {
  const choose = (step: string): void =>
    void fireEvent.change(screen.getByLabelText('Step that was done'), { target: { value: step } });
  const record = () => screen.getByRole('button', { name: 'Record this step' }) as HTMLButtonElement;

  test('needs a step, the name of who did it, and the bus where it is measured; out of order stays in it', async () => {
    await open('contactorSequence', 'hearse');
    expect(screen.getByText('Say the voltage of the pack first.')).toBeDefined();
    type('Pack (V)', '360');
    choose('closePositive');
    expect(record().disabled).toBe(true);
    type(/^Signed/, 'Wren Osgood');
    fireEvent.click(record());
    expect(screen.getByText(/positive closed, not its turn/)).toBeDefined();
    choose('closeNegative');
    type(/^Signed/, 'somebody else');
    expect(record().disabled).toBe(true);
    type(/^Signed/, 'wren osgood');
    fireEvent.click(record());
    expect(screen.getByText('done, Wren Osgood')).toBeDefined();
    choose('verifyBus');
    type(/^Signed/, 'Wren Osgood');
    expect(record().disabled).toBe(true);
    type('Bus (V)', '350');
    expect(record().disabled).toBe(false);
    fireEvent.click(screen.getByRole('button', { name: 'All opened' }));
    expect(screen.queryByText('done, Wren Osgood')).toBeNull();
    expect(screen.queryByRole('button', { name: 'Show an example' })).toBeNull();
  });
});

test('a reason that goes away goes from the screen, where two have one code', () => {
  const c = calculatorNamed('cornerWeights')!;
  const told = toldOf(c, c.example, c.work(c.example));
  const reason = (text: string, code = 'same') => ({ code, level: 'fail' as const, text });
  const before = [reason('first', 'other'), reason('a'), reason('b')];
  const { rerender } = show(<ToldParts told={{ ...told, reasons: before }} />);
  rerender(<ToldParts told={{ ...told, reasons: [reason('b')] }} />);
  expect(screen.getAllByText(/Not good/)).toHaveLength(1);
});
