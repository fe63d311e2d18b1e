/** Places as they lie, each a list of what stands in it; cars and pieces are dragged between them, or moved by keyboard. */
import { GripVertical } from 'lucide-react';
import {
  Button as AriaButton,
  GridList,
  GridListItem,
  useDragAndDrop,
  type DropItem,
} from 'react-aria-components';
import { styled } from 'styled-components';
import type { PlanCarView, PlanPieceView, PlanPlaceView } from '#contract/plan.ts';
import type { BuildWaitView } from '#contract/waits.ts';
import { GRID, type Spot } from '#core/plan/floorPlan.ts';
import type { Hold } from '#core/waits/binding.ts';
import { daysBetween, dayOf } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { color, phone, size, space, touch } from '../../ui/tokens.ts';

/** A place grows with what stands in it. On a phone places stand one below the other. */
const PlanGrid = styled.div`
  display: grid;
  grid-template-columns: repeat(${GRID.columns}, minmax(0, 1fr));
  grid-auto-rows: minmax(2.15rem, auto);
  gap: 4px;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
    grid-auto-rows: auto;
  }
`;
const Place = styled.section<{ $spot: Spot }>`
  grid-area: ${({ $spot: s }) => `${s.y + 1} / ${s.x + 1} / span ${s.h} / span ${s.w}`};
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  border: 1.5px solid ${color.zinc};
  border-radius: 3px;
  background: ${color.sheet};
  h2 {
    padding: 2px ${space.s};
    font-size: ${size.small};
    font-weight: 600;
    color: ${color.zinc};
  }
  ${phone} {
    grid-area: auto;
    min-height: 72px;
  }
`;
/** Side by side where a place is wide: a yard holds many. */
const Cars = styled(GridList)`
  outline: none;
  min-height: ${touch};
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(10.5rem, 100%), 1fr));
  align-content: start;
  &[data-drop-target] {
    background: ${color.blueingWash};
  }
  &[data-empty] {
    padding: 0 ${space.s};
    color: ${color.zinc};
    font-size: ${size.small};
  }
` as typeof GridList;
const Car = styled(GridListItem)`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  align-content: flex-start;
  margin: 2px;
  border-left: 4px solid ${color.blueing};
  background: ${color.blueingWash};
  &[data-pinned] {
    border-left-color: ${color.oxide};
    background: ${color.oxideWash};
  }
  &[data-dragging] {
    opacity: 0.5;
  }
` as typeof GridListItem;
const Small = styled.p`
  padding: 0 ${space.s} ${space.xs};
  font-size: ${size.small};
  line-height: 1.3;
`;
const Grip = styled(AriaButton)`
  min-width: 32px;
  min-height: ${touch};
  padding: 0 4px;
  border: 0;
  background: none;
  color: ${color.zinc};
  cursor: grab;
  ${phone} {
    display: none;
  }
`;

/** Off its car: an engine, a body. Those that take the place up have the line of a car. */
const Piece = styled(Car)`
  border-left-style: dashed;
  border-left-color: ${color.zinc};
  background: ${color.zincWash};
` as typeof GridListItem;

const DRAGGED = 'avrik-standing';

interface PlacesProps {
  places: readonly (PlanPlaceView & { spot: Spot })[];
  cars: readonly PlanCarView[];
  pieces: readonly PlanPieceView[];
  /** What holds each car. */
  waits: readonly BuildWaitView[];
  onMove: (car: PlanCarView, place: PlanPlaceView) => void;
  onOpen: (car: PlanCarView) => void;
  onMovePiece: (piece: PlanPieceView, place: PlanPlaceView) => void;
  onOpenPiece: (piece: PlanPieceView) => void;
}

export function PlacesWithCars({ places, ...standing }: PlacesProps) {
  return (
    <PlanGrid>
      {places.map((p) => (
        <OnePlace key={p.id} place={p} {...standing} />
      ))}
    </PlanGrid>
  );
}

type OnePlaceProps = Omit<PlacesProps, 'places'> & { place: PlanPlaceView & { spot: Spot } };

type Standing = { id: string } & ({ car: PlanCarView } | { piece: PlanPieceView });

function OnePlace({ place, cars, pieces, waits, onMove, onOpen, onMovePiece, onOpenPiece }: OnePlaceProps) {
  const here: Standing[] = [
    ...cars.filter((c) => c.placeId === place.id).map((car) => ({ id: car.buildId, car })),
    ...pieces.filter((p) => p.placeId === place.id).map((piece) => ({ id: piece.id, piece })),
  ];
  const drop = async (items: readonly DropItem[]): Promise<void> => {
    for (const item of items) {
      if (item.kind !== 'text') continue;
      const id = await item.getText(DRAGGED);
      const car = cars.find((c) => c.buildId === id);
      if (car && car.placeId !== place.id) onMove(car, place);
      const piece = pieces.find((p) => p.id === id);
      if (piece && piece.placeId !== place.id) onMovePiece(piece, place);
    }
  };
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ [DRAGGED]: String(key) })),
    acceptedDragTypes: [DRAGGED],
    getDropOperation: () => 'move',
    onRootDrop: ({ items }) => void drop(items),
  });
  return (
    <Place $spot={place.spot} aria-label={place.name}>
      <h2>{place.name}</h2>
      <Cars
        layout="grid"
        aria-label={`Cars at ${place.name}`}
        items={here}
        dragAndDropHooks={dragAndDropHooks}
        renderEmptyState={() => 'free'}
      >
        {(item) =>
          'car' in item ? (
            <Car
              id={item.id}
              textValue={item.car.nickname}
              {...(item.car.pinned ? { 'data-pinned': true } : {})}
            >
              <Grip slot="drag" aria-label={`Move ${item.car.nickname}`}>
                <GripVertical size={18} aria-hidden />
              </Grip>
              <Button $look="quiet" aria-label={`The ${item.car.nickname}`} onPress={() => onOpen(item.car)}>
                {item.car.nickname}
              </Button>
              <Stands car={item.car} heldBy={waits.find((w) => w.buildId === item.id)?.binding ?? null} />
            </Car>
          ) : (
            <Piece id={item.id} textValue={pieceName(item.piece)}>
              <Grip slot="drag" aria-label={`Move ${pieceName(item.piece)}`}>
                <GripVertical size={18} aria-hidden />
              </Grip>
              <Button
                $look="quiet"
                aria-label={`The ${pieceName(item.piece)}`}
                onPress={() => onOpenPiece(item.piece)}
              >
                {item.piece.what}
              </Button>
              <Small>off the {item.piece.nickname}</Small>
            </Piece>
          )
        }
      </Cars>
    </Place>
  );
}

const pieceName = (p: PlanPieceView): string => `${p.what} of the ${p.nickname}`;

function Stands({ car, heldBy }: { car: PlanCarView; heldBy: Hold | null }) {
  const { today } = useManner();
  const { timeZone } = useShop().shop;
  if (!car.pinned) return heldBy && <Small>held up: {heldBy.what}</Small>;
  const days = daysBetween(dayOf(car.pinned.since, timeZone), today);
  return (
    <Small>
      does not roll{days > 0 ? ` for ${days === 1 ? 'a day' : `${days} days`}` : ''}: {car.pinned.by}
    </Small>
  );
}
