import 'reflect-metadata';
import { IsOptional, IsString, MaxLength } from 'class-validator';
import type { Spot } from '#core/plan/floorPlan.ts';
import type { PlaceKind } from '#core/shop/places.ts';
import { NonEmpty } from './nonEmpty.ts';

/** What is off a car that pins it where it stands; without it, the car rolls. */
export class PinnedDto {
  @IsOptional() @NonEmpty(200, 'say what pins it') by?: string;

  @IsOptional()
  @IsString()
  @MaxLength(200, { message: 'at most 200 characters' })
  freedBy?: string;
}

export interface Pinned {
  by: string;
  freedBy: string;
  since: string;
}

export interface PlanPlaceView {
  id: string;
  name: string;
  kind: PlaceKind;
  closed: boolean;
  position: number;
  version: number;
  spot: Spot | null;
}

export interface PlanCarView {
  buildId: string;
  number: string;
  nickname: string;
  placeId: string | null;
  placedAt: string | null;
  pinned: Pinned | null;
}

/** A piece that stands somewhere: an engine on its stand, a body off its frame. */
export interface PlanPieceView {
  id: string;
  version: number;
  buildId: string;
  nickname: string;
  what: string;
  placeId: string;
  isLarge: boolean;
}

/** A batch at its vendor, beyond the edge of the plan. */
export interface PlanBatchView {
  id: string;
  number: string;
  vendor: string;
  treatment: string;
  promised: string | null;
  /** Whose pieces are in it. */
  cars: { buildId: string; nickname: string; pieces: number }[];
}

export interface PlanView {
  now: string;
  places: PlanPlaceView[];
  cars: PlanCarView[];
  pieces: PlanPieceView[];
  away: PlanBatchView[];
}
