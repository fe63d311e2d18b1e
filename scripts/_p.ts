import { parseNarration } from '../src/core/capture/narration/narration.ts';
import { SHOP_OF_NARRATIONS } from '../tests/data/narrations.ts';
for (const t of process.argv.slice(2)) for (const p of parseNarration(t, SHOP_OF_NARRATIONS)) console.log(p.is, p.car?.name, p.line.kind, p.line.minutes, p.line.moneyMinor, '|', p.text);
