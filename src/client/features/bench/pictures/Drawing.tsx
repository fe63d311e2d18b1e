/** The picture of a calculator's measurement. */
import type { ComponentType } from 'react';
import type { Picture } from '#core/bench/registry/types.ts';
import { Alignment } from './Alignment.tsx';
import { BigEnd } from './BigEnd.tsx';
import { Bores } from './Bores.tsx';
import { Corners } from './Corners.tsx';
import { Cylinders } from './Cylinders.tsx';
import { Driveline } from './Driveline.tsx';
import { Frame } from './Frame.tsx';
import { Levels } from './Levels.tsx';
import { PaintHours } from './PaintHours.tsx';
import { PreCharge } from './PreCharge.tsx';
import { Taps } from './Taps.tsx';
import { Wheel } from './Wheel.tsx';

/** Each reads what its calculator takes and gives; the registry pairs them. */
export interface DrawingProps {
  input: never;
  result: never;
}

const DRAWN: Record<Picture, ComponentType<DrawingProps>> = {
  driveline: Driveline,
  alignment: Alignment,
  bores: Bores,
  bigEnd: BigEnd,
  levels: Levels,
  taps: Taps,
  preCharge: PreCharge,
  frame: Frame,
  paintHours: PaintHours,
  wheel: Wheel,
  cylinders: Cylinders,
  corners: Corners,
};

export default function Drawing({ of, input, result }: { of: Picture; input: object; result: object }) {
  const Drawn = DRAWN[of];
  return <Drawn input={input as never} result={result as never} />;
}
