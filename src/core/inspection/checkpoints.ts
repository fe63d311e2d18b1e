/** What is looked at when a vehicle arrives: which zones and checkpoints apply to it, and how far the look has come. */
import { ZONES, type Body, type Checkpoint, type Zone } from './zones.ts';

/** What is fitted and brings checkpoints of its own. */
export interface Fitted {
  body: Body;
  gas: boolean;
  highVoltage: boolean;
}

/** The zones and checkpoints of what stands there, in the order of looking. */
export function zonesFor({ body, gas, highVoltage }: Fitted): Zone[] {
  const has = { gas, highVoltage };
  return ZONES.filter((z) => z.bodies.includes(body) && (z.needs === undefined || has[z.needs])).map(
    ({ id, name, zone, caution, look }) => ({
      id,
      name,
      zone,
      ...(caution === undefined ? {} : { caution }),
      checkpoints: look
        .filter(([, , only]) => only === undefined || only.includes(body))
        .map(([short, words]) => ({ id: `${id}/${short}`, look: words })),
    }),
  );
}

export const MARKS = ['fine', 'finding', 'not seen'] as const;
/** How a checkpoint was left. None means that it has not been looked at. */
export type Mark = (typeof MARKS)[number];

export interface Looked {
  checkpoints: number;
  looked: number;
  fine: number;
  findings: number;
  notSeen: number;
}

/** How far the looking is, over some zones. Marks of checkpoints that do not apply (any more) are not counted. */
export function lookedAt(zones: readonly Zone[], marks: ReadonlyMap<string, Mark>): Looked {
  const ids = zones.flatMap((z) => z.checkpoints.map((c) => c.id));
  const count = (mark: Mark): number => ids.filter((id) => marks.get(id) === mark).length;
  const [fine, findings, notSeen] = [count('fine'), count('finding'), count('not seen')];
  return { checkpoints: ids.length, looked: fine + findings + notSeen, fine, findings, notSeen };
}

/** Openings of checkpoints that ask a question instead of naming a thing. */
const QUESTION = /^(?:how|does|is|what|where|every)\b/i;

/**
 * The thing that a checkpoint is about, for a finding that says only what is wrong with it: "Flexible hoses: cracks,
 * swelling" is about flexible hoses. Null where it names no one thing.
 */
export function thingOf({ look }: Checkpoint): string | null {
  const [before = '', after] = look.split(':');
  const named = after === undefined ? !/,/.test(look) && look.split(' ').length <= 4 : true;
  return !named || QUESTION.test(before) ? null : before.charAt(0).toLowerCase() + before.slice(1);
}

/** What was found at a checkpoint as a line of the logbook, so that it can be read without the checkpoint beside it. */
export function findingLine(checkpoint: Checkpoint, said: string): string {
  const text = said.trim().replace(/^found\s+/i, '');
  const thing = thingOf(checkpoint);
  const words = thing?.match(/\p{L}{4,}/gu) ?? [];
  const mentioned = words.some((w) => text.toLowerCase().includes(w.toLowerCase().replace(/s$/, '')));
  return thing === null || mentioned ? `found ${text}` : `found ${thing} ${text}`;
}
