/** The chips of the log line: what is understood, put right, taken away, added, and who it is for. */
import { describe, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { KnownView } from '#contract/builds.ts';
import { SaidChips, type Said } from './SaidChips.tsx';

const manner = { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' };
const known: KnownView = { builds: [], people: [], vendors: [{ id: '1', name: 'Tern & Sons' }], places: [] };
const said: Said = {
  kind: 'ordered',
  facts: { subject: 'winders', moneyMinor: 4650, quantity: 2 },
  audience: 'customer',
};

function show(changes: Partial<Said> = {}) {
  const on = { onKind: jest.fn(), onAudience: jest.fn(), onFact: jest.fn() };
  render(<SaidChips said={{ ...said, ...changes }} manner={manner} known={known} {...on} />);
  return on;
}
const chip = (name: string) => screen.getByRole('button', { name });

describe('what was understood', () => {
  test('stands there in words, in the order it is said', () => {
    show();
    const chips = screen.getAllByRole('button').map((b) => b.textContent);
    expect(chips).toEqual([
      'kindOrdered',
      'how many2',
      'whatwinders',
      'money£46.50',
      'forthe customer too',
      'add',
    ]);
  });

  test('a price is put right with the keyboard; nonsense is answered beside the field and nothing changes', async () => {
    const { onFact } = show();
    fireEvent.click(chip('money £46.50'));
    const field = await screen.findByRole('textbox', { name: 'money' });
    expect(field).toHaveProperty('value', '46.50');
    fireEvent.change(field, { target: { value: 'lots' } });
    fireEvent.submit(field);
    expect((await screen.findByRole('alert')).textContent).toBe('an amount, as in 46.50');
    expect(onFact).not.toHaveBeenCalled();
    fireEvent.change(field, { target: { value: '48' } });
    fireEvent.submit(field);
    expect(onFact).toHaveBeenCalledWith('moneyMinor', 4800);
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  test('a part is taken away', async () => {
    const { onFact } = show();
    fireEvent.click(chip('how many 2'));
    fireEvent.click(await screen.findByRole('button', { name: 'Take it away' }));
    expect(onFact).toHaveBeenCalledWith('quantity', null);
  });

  test('a vendor that was not understood is added, with the known ones offered', async () => {
    const { onFact } = show();
    fireEvent.click(chip('Add what was not understood'));
    fireEvent.change(await screen.findByRole('combobox', { name: 'Add' }), { target: { value: 'vendor' } });
    const field = await screen.findByRole('combobox', { name: 'vendor' });
    expect(document.querySelector('datalist option')).toHaveProperty('value', 'Tern & Sons');
    fireEvent.change(field, { target: { value: 'Cobb Springs' } });
    fireEvent.submit(field);
    expect(onFact).toHaveBeenCalledWith('vendor', 'Cobb Springs');
  });

  test('the kind is changed, and who it is for', async () => {
    const { onKind, onAudience } = show();
    fireEvent.click(chip('for the customer too'));
    expect(onAudience).toHaveBeenCalledWith('shop');
    fireEvent.click(chip('kind Ordered'));
    fireEvent.change(await screen.findByRole('combobox', { name: 'Kind of entry' }), {
      target: { value: 'spent' },
    });
    expect(onKind).toHaveBeenCalledWith('spent');
  });
});
