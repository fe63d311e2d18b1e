/** What is to be put right before a car goes: seen on a walk round it, or in the way when something was tried in place. */

/** Where one stands on a walk round a car, in the order of the walk. */
export const STATIONS = [
  'front',
  'left side',
  'rear',
  'right side',
  'roof and glass',
  'inside',
  'under the bonnet',
  'in the boot',
  'underneath',
  'on the road',
] as const;
export type Station = (typeof STATIONS)[number];

export const SNAG_STATES = ['open', 'right', 'left'] as const;
/** Open; put right; or left as it is, with a reason. */
export type SnagState = (typeof SNAG_STATES)[number];

/** Things in the order of the walk, those of one station in the order in which they were seen. */
export const inWalkOrder = <S extends { station: Station }>(snags: readonly S[]): S[] =>
  [...snags].sort((a, b) => STATIONS.indexOf(a.station) - STATIONS.indexOf(b.station));

/** “bonnet: it fits”, “bonnet: in the way: the left hinge; the radiator cap”. */
export const trialInWords = (what: string, inTheWay: readonly string[]): string =>
  inTheWay.length === 0
    ? `tried ${what} in place: it fits`
    : `tried ${what} in place, in the way: ${inTheWay.join('; ')}`;

/** Why a snag cannot be ended so, by field; empty where it can. What is left as it is needs its reason. */
export function whyNotEnd(
  now: SnagState,
  end: { state: 'right' | 'left'; said: string },
): { field: string; reason: string }[] {
  if (now !== 'open') return [{ field: 'state', reason: 'it is ended already' }];
  return end.state === 'left' && end.said.trim() === ''
    ? [{ field: 'said', reason: 'say why it stays as it is' }]
    : [];
}
