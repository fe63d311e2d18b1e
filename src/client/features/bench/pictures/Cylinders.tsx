/** Compression by cylinder, as they stand along each bank. */
import type { CylinderTestsInput, CylinderTestsResult } from '#core/bench/cylinderTests.ts';
import { n } from '#core/bench/registry/describe.ts';
import { Sheet, WIDTH } from './Sheet.tsx';

const TALL = 92;

export function Cylinders({ input, result }: { input: CylinderTestsInput; result: CylinderTestsResult }) {
  const banks = input.banks ?? [input.dry_psi.map((_, i) => i + 1)];
  const most = Math.max(result.highest_psi, ...(input.wet_psi ?? []).map((p) => p ?? 0), 1);
  const low = new Set(result.lowCylinders);
  return (
    <Sheet
      title="Compression by cylinder"
      words={input.dry_psi
        .map((p, i) => `cylinder ${i + 1}: ${n(p, 0)} psi${low.has(i + 1) ? ', low' : ''}`)
        .join('; ')}
      note={`A row for every bank. Line: three quarters of the highest.${input.wet_psi ? ' Outline: with oil.' : ''}`}
      height={banks.length * (TALL + 46) + 8}
    >
      {banks.map((bank, b) => {
        const floor = b * (TALL + 46) + TALL + 18;
        const wide = (WIDTH - 30) / bank.length;
        const tall = (psi: number): number => (psi / most) * TALL;
        return (
          <g key={b}>
            {bank.map((number, i) => {
              const dry = input.dry_psi[number - 1] ?? 0;
              const wet = input.wet_psi?.[number - 1];
              const x = 15 + i * wide + wide * 0.18;
              return (
                <g key={number}>
                  <rect
                    x={x}
                    y={floor - tall(dry)}
                    width={wide * 0.64}
                    height={tall(dry)}
                    className={low.has(number) ? 'bad' : 'plain'}
                  />
                  {typeof wet === 'number' && (
                    <rect
                      x={x}
                      y={floor - tall(wet)}
                      width={wide * 0.64}
                      height={tall(wet)}
                      className="line"
                    />
                  )}
                  <text x={x + wide * 0.32} y={floor - tall(Math.max(dry, wet ?? 0)) - 4} textAnchor="middle">
                    {n(dry, 0)}
                  </text>
                  <text x={x + wide * 0.32} y={floor + 16} textAnchor="middle" className="small">
                    {number}
                  </text>
                </g>
              );
            })}
            <line
              x1={10}
              x2={WIDTH - 10}
              y1={floor - tall(result.highest_psi * 0.75)}
              y2={floor - tall(result.highest_psi * 0.75)}
              className="before"
            />
          </g>
        );
      })}
    </Sheet>
  );
}
