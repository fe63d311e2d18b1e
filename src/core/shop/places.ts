/** Kinds of place where a car, a unit or a part can stand. */
export const PLACE_KINDS = [
  'lift',
  'bay',
  'booth',
  'blast room',
  'bench',
  'yard',
  'store',
  'vendor',
] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];
