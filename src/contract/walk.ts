import 'reflect-metadata';
import type { Kind } from '#core/log/kinds.ts';
import type { Hold } from '#core/waits/binding.ts';
import { AgoMs } from './agoMs.ts';

export class WalkSeenDto {
  @AgoMs() agoMs?: number;
}

/** A car as one comes to it. */
export interface WalkCarView {
  buildId: string;
  number: string;
  nickname: string;
  vehicle: string;
  customer: string;
  place: string | null;
  placeId: string | null;
  /** In this walk. */
  seenAt: string | null;
  /** Looked at on a walk before this one; null: never. */
  before: string | null;
  /** What has happened since, the newest first, so many at most; and how many more there are. */
  since: { id: string; at: string; kind: Kind; text: string }[];
  more: number;
  binding: Hold | null;
  promised: string | null;
  next: string;
}

export interface WalkView {
  /** The walk that is under way, or the next one: it begins when the first car was looked at. */
  walkId: string;
  beganAt: string | null;
  /** When the last walk ended. */
  lastAt: string | null;
  cars: WalkCarView[];
}
