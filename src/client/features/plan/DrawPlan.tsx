/** The plan drawn to the shop's own layout: places are moved and sized in whole steps, by pointer or by keys. */
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import type { PlanPlaceView } from '#contract/plan.ts';
import { GRID, snap, whyNotSpot, type Spot } from '#core/plan/floorPlan.ts';
import { wordsOf } from '../../shared/api.ts';
import { Notice, Quiet } from '../../ui/parts.tsx';
import { color, size, space } from '../../ui/tokens.ts';
import { useDrawPlace } from './plan.queries.ts';

const Sheet = styled.div`
  position: relative;
  width: 100%;
  aspect-ratio: ${GRID.columns} / ${GRID.rows};
  border: 1px solid ${color.zinc};
  background-image:
    linear-gradient(${color.zincLine} 1px, transparent 1px),
    linear-gradient(90deg, ${color.zincLine} 1px, transparent 1px);
  background-size: ${100 / GRID.columns}% ${100 / GRID.rows}%;
  touch-action: none;
`;
const Box = styled.div`
  position: absolute;
  padding: 2px ${space.s};
  border: 2px solid ${color.blueing};
  border-radius: 3px;
  background: ${color.sheet};
  font-size: ${size.small};
  font-weight: 600;
  cursor: move;
  user-select: none;
  overflow: hidden;
  &[data-wrong] {
    border-color: ${color.oxide};
    background: ${color.oxideWash};
  }
`;
const Corner = styled.div`
  position: absolute;
  right: 0;
  bottom: 0;
  width: 22px;
  height: 22px;
  border-top-left-radius: 100%;
  background: ${color.blueing};
  cursor: nwse-resize;
`;

type Drawn = PlanPlaceView & { spot: Spot };

interface Drag {
  id: string;
  sizes: boolean;
  fromX: number;
  fromY: number;
  was: Spot;
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const REST_MS = 500;
const percent = (n: number, of: number): string => `${(n / of) * 100}%`;

export default function DrawPlan({ places }: { places: readonly Drawn[] }) {
  const draw = useDrawPlace();
  const sheet = useRef<HTMLDivElement>(null);
  const drag = useRef<Drag | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [moved, setMoved] = useState<{ id: string; spot: Spot } | null>(null);
  const spotOf = (p: Drawn): Spot => (moved?.id === p.id ? moved.spot : p.spot);
  const wrong = (p: Drawn): string | null =>
    whyNotSpot(
      spotOf(p),
      places.filter((o) => o.id !== p.id),
    );
  const keep = (place: Drawn, spot: Spot): void => {
    const refused = whyNotSpot(
      spot,
      places.filter((o) => o.id !== place.id),
    );
    if (refused !== null) return;
    draw.mutate({ place, spot }, { onSettled: () => setMoved(null) });
  };
  const begin = (e: PointerEvent, place: Drawn, sizes: boolean): void => {
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    drag.current = { id: place.id, sizes, fromX: e.clientX, fromY: e.clientY, was: spotOf(place) };
  };
  const go = (e: PointerEvent): void => {
    const d = drag.current;
    if (!d || !sheet.current) return;
    const { width, height } = sheet.current.getBoundingClientRect();
    const dx = ((e.clientX - d.fromX) / width) * GRID.columns;
    const dy = ((e.clientY - d.fromY) / height) * GRID.rows;
    const to = d.sizes
      ? { ...d.was, w: d.was.w + dx, h: d.was.h + dy }
      : { ...d.was, x: d.was.x + dx, y: d.was.y + dy };
    setMoved({ id: d.id, spot: snap(to) });
  };
  const end = (place: Drawn): void => {
    if (drag.current?.id === place.id && moved?.id === place.id) keep(place, moved.spot);
    drag.current = null;
  };
  const key = (e: KeyboardEvent, place: Drawn): void => {
    const step = ARROWS[e.key];
    if (!step) return;
    e.preventDefault();
    const [dx, dy] = step;
    const s = spotOf(place);
    const spot = snap(e.shiftKey ? { ...s, w: s.w + dx, h: s.h + dy } : { ...s, x: s.x + dx, y: s.y + dy });
    setMoved({ id: place.id, spot });
    // Kept once the keys rest: each press of a held key is no change of its own.
    clearTimeout(resting.current);
    resting.current = setTimeout(() => keep(place, spot), REST_MS);
  };
  const held = places.find((p) => p.id === moved?.id);
  const refused = held ? wrong(held) : null;
  return (
    <>
      <Quiet>
        Drag a place, or its corner. With keys: arrows move it, Shift and arrows size it. Everything snaps.
      </Quiet>
      {(refused ?? draw.error) && (
        <Notice $tone="oxide" role="alert">
          {refused ? `${held!.name}: ${refused}.` : wordsOf(draw.error)}
        </Notice>
      )}
      <Sheet ref={sheet}>
        {places.map((p) => {
          const s = spotOf(p);
          return (
            <Box
              key={p.id}
              role="button"
              tabIndex={0}
              aria-label={`${p.name}, at ${s.x} and ${s.y}, ${s.w} by ${s.h}`}
              {...(wrong(p) ? { 'data-wrong': true } : {})}
              style={{
                left: percent(s.x, GRID.columns),
                top: percent(s.y, GRID.rows),
                width: percent(s.w, GRID.columns),
                height: percent(s.h, GRID.rows),
              }}
              onPointerDown={(e) => begin(e, p, false)}
              onPointerMove={go}
              onPointerUp={() => end(p)}
              onPointerCancel={() => end(p)}
              onKeyDown={(e) => key(e, p)}
            >
              {p.name}
              <Corner
                onPointerDown={(e) => begin(e, p, true)}
                onPointerMove={go}
                onPointerUp={() => end(p)}
                onPointerCancel={() => end(p)}
              />
            </Box>
          );
        })}
      </Sheet>
    </>
  );
}
