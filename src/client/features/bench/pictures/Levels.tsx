/** Fluid balance as levels: what went in, what came out, what others lack. */
import type { FluidBalanceInput, FluidBalanceResult } from '#core/bench/fluidBalance.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const HEIGHT = 240;
const FLOOR = 196;
const TALL = 160;
const KIND_WORDS: Record<string, string> = {
  coolant: 'coolant',
  automaticTransmission: 'gearbox',
  powerSteering: 'steering',
  fuel: 'fuel',
  other: 'other',
};

export function Levels({ input, result }: { input: FluidBalanceInput; result: FluidBalanceResult }) {
  const bars: { name: string; litres: number; look: string }[] = [
    { name: 'filled', litres: input.sumpFill_l, look: 'plain' },
    { name: 'drained', litres: input.drained_l, look: result.significant ? 'bad' : 'plain' },
    ...(input.circuits ?? []).map((c) => ({
      name: `${KIND_WORDS[c.kind]} lacks`,
      litres: Math.max(0, c.shortage_l),
      look: 'watch',
    })),
  ];
  const most = Math.max(...bars.map((b) => b.litres), 0.1);
  const wide = (WIDTH - 40) / bars.length;
  const y = (litres: number): number => FLOOR - (litres / most) * TALL;
  return (
    <Sheet
      title="Fluid balance"
      words={`${bars.map((b) => `${b.name} ${n(b.litres)} L`).join(', ')}; too much ${n(result.surplus_l)} L, give or take ${n(result.surplusU_l)}.`}
      note="Litres, to one scale. The line is the last fill that is known."
      height={HEIGHT}
    >
      {bars.map((b, i) => (
        <g key={b.name}>
          <rect
            x={20 + i * wide + wide * 0.2}
            y={FLOOR - TALL}
            width={wide * 0.6}
            height={TALL}
            className="ground"
          />
          <rect
            x={20 + i * wide + wide * 0.2}
            y={y(b.litres)}
            width={wide * 0.6}
            height={FLOOR - y(b.litres)}
            className={b.look}
          />
          <text x={20 + (i + 0.5) * wide} y={y(b.litres) - 6} textAnchor="middle">
            {n(b.litres)} L
          </text>
          <text x={20 + (i + 0.5) * wide} y={FLOOR + 18} textAnchor="middle" className="small">
            {b.name}
          </text>
        </g>
      ))}
      <line x1={20} x2={WIDTH - 20} y1={y(input.sumpFill_l)} y2={y(input.sumpFill_l)} className="before" />
      <text x={WIDTH / 2} y={HEIGHT - 8} textAnchor="middle">
        {result.surplus_l >= 0 ? 'too much' : 'missing'}: {n(Math.abs(result.surplus_l))} L
      </text>
    </Sheet>
  );
}
