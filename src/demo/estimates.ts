/** The demo's estimates: what was priced, sent and answered. The stories call them by name: `@estimate van`. */
import type { EstimateLineDto } from '#contract/estimate.ts';
import type { Answer } from '#core/approval/answers.ts';
import type { LineClass } from '#core/log/kinds.ts';
import type { Work } from '#core/estimate/lines.ts';

type Points = [low: number, likely: number, high: number];

/** A line by its short name within the build; hours and pounds. */
export interface DemoLine {
  key: string;
  title: string;
  why: string;
  class: LineClass;
  work: Work;
  hours: Points;
  parts?: Points;
  outwork?: Points;
  sundries?: number;
  needs?: string[];
  access?: string[];
  later?: number;
  wish?: EstimateLineDto['wish'];
  wait?: boolean;
  /** The way to do it that it belongs to. */
  way?: string;
  /** Words of the finding that it comes from. */
  finding?: string;
}

/** Ways to do it, the first of them advised. */
interface DemoChoice {
  title: string;
  ways: { key: string; name: string; weeks: [number, number]; risk: string }[];
}

export interface DemoEstimate {
  choices?: DemoChoice[];
  /** Lines put on the estimate now; one of a known key is changed. */
  lines: DemoLine[];
  openings?: { name: string; work: Work; hours: number }[];
  /** Sent with these words; absent: not sent yet. */
  note?: string;
}

export interface DemoAnswer {
  via: 'page' | 'telephone';
  said?: string;
  understood?: boolean;
  answers: Record<string, Answer>;
}

export interface DemoIntake {
  complaint: string;
  budget?: number;
  discretion?: number;
  eventIn?: number;
}

/** By the build's nickname. */
export const INTAKES: Record<string, DemoIntake> = {
  'ice-cream van': {
    complaint:
      'It was my aunt’s. I want it back on its round by the summer, with the old writing on it, and it must not leave anybody standing at the hatch because it will not start.',
    budget: 9500,
    discretion: 150,
  },
  'rally car': {
    complaint: 'Everything that scrutineering looks at. It jumps out of third and I do not trust the front.',
    discretion: 300,
    eventIn: 24,
  },
  camper: {
    complaint:
      'The heater smells and the carpet is wet on the left. We go north with the children in the autumn.',
    budget: 6000,
    discretion: 100,
  },
  estate: { complaint: 'Keep every piece of it that can be kept.', discretion: 200 },
};

/** Pounds an hour. */
export const RATES: Record<Work, number> = {
  mechanical: 58,
  metalwork: 62,
  paint: 60,
  trim: 54,
  electrical: 60,
  machining: 70,
};

export const ESTIMATES: Record<string, DemoEstimate> = {
  van: {
    note: 'Dear Marta, this is what I would do, in the order in which I would do it. The crossmember and the brakes come first whatever else you decide.',
    lines: [
      {
        key: 'crossmember',
        title: 'Front crossmember ends',
        finding: 'front crossmember rotten',
        why: 'Rotten through at both ends; the front suspension hangs on it.',
        class: 'safety',
        work: 'metalwork',
        hours: [7, 9, 14],
        parts: [150, 180, 240],
      },
      {
        key: 'brakes',
        title: 'Brake pipes all round',
        finding: 'brake pipes corroded',
        why: 'Corroded all round.',
        class: 'safety',
        work: 'mechanical',
        hours: [4, 5, 8],
        parts: [88, 95, 110],
      },
      {
        key: 'hatch',
        title: 'Serving hatch runners',
        finding: 'serving hatch runners worn',
        why: 'Worn oval; the hatch drops on one side.',
        class: 'should',
        work: 'trim',
        hours: [1.5, 2, 3],
        parts: [30, 40, 60],
        access: ['counter off'],
      },
      {
        key: 'chime',
        title: 'Chime amplifier, valves renewed',
        finding: 'chime amplifier dead',
        why: 'Dead, but it is the original and it can be saved.',
        class: 'nice',
        work: 'electrical',
        hours: [2, 3, 6],
        parts: [50, 65, 120],
        wish: 'can wait',
      },
      {
        key: 'counter',
        title: 'Counter rebuilt and covered',
        why: 'The board has swollen under the laminate.',
        class: 'should',
        work: 'trim',
        hours: [7, 9, 12],
        parts: [60, 64, 80],
        access: ['counter off'],
      },
      {
        key: 'paint',
        title: 'Body painted in two colours',
        why: 'After the metalwork, with the writing traced first and put back by hand.',
        class: 'should',
        work: 'paint',
        hours: [50, 62, 85],
        parts: [420, 500, 650],
        outwork: [280, 320, 400],
        sundries: 140,
        needs: ['crossmember'],
        wish: 'wanted',
      },
    ],
  },
  'van-valve': {
    note: 'Dear Marta, one exhaust valve is burnt; the readings are 118, 121, 117 and 90. I would let the chime wait to help pay for it.',
    lines: [
      {
        key: 'valve',
        title: 'Number four exhaust valve, head overhauled',
        finding: 'number four exhaust valve burnt',
        why: 'Compression 90 psi against 117 to 121 in the others. It will not get better.',
        class: 'must',
        work: 'mechanical',
        hours: [6, 8, 12],
        parts: [75, 113, 160],
        access: ['cylinder head off'],
        later: 120,
      },
      {
        key: 'chime',
        title: 'Chime amplifier, valves renewed',
        why: 'Dead, but it is the original and it can be saved.',
        class: 'nice',
        work: 'electrical',
        hours: [2, 3, 6],
        parts: [50, 65, 120],
        wish: 'can wait',
        wait: true,
      },
    ],
  },
  'van-more': {
    openings: [{ name: 'counter off', work: 'trim', hours: 4 }],
    lines: [
      {
        key: 'freezer',
        title: 'Freezer cabinet made safe and sealed',
        why: 'Wanted for the round; the old wiring in it cannot stay.',
        class: 'must',
        work: 'electrical',
        hours: [9, 12, 20],
        parts: [400, 520, 760],
        access: ['counter off'],
        later: 260,
      },
      {
        key: 'chrome',
        title: 'Brightwork plated',
        why: 'Bumper, hatch trim and hub caps.',
        class: 'nice',
        work: 'trim',
        hours: [2, 3, 4],
        outwork: [540, 640, 900],
      },
      {
        key: 'tyres',
        title: 'Five tyres',
        why: 'The date codes say fourteen years.',
        class: 'safety',
        work: 'mechanical',
        hours: [2, 2, 3],
        parts: [380, 420, 480],
      },
    ],
  },
  rally: {
    note: 'Anselm, three things that scrutineering will look at, and the gearbox. The event decides the order.',
    lines: [
      {
        key: 'wing',
        title: 'Inner wing at the strut top',
        finding: 'inner wing cracked',
        why: 'Cracked where the strut pulls.',
        class: 'safety',
        work: 'metalwork',
        hours: [8, 9, 14],
        parts: [120, 140, 180],
      },
      {
        key: 'belts',
        title: 'Pair of harnesses',
        finding: 'seat belts out of date',
        why: 'The old ones are out of date.',
        class: 'safety',
        work: 'trim',
        hours: [1, 1.5, 2],
        parts: [188, 190, 220],
      },
      {
        key: 'gearbox',
        title: 'Gearbox rebuilt',
        finding: 'gearbox jumps out',
        why: 'It jumps out of third.',
        class: 'must',
        work: 'mechanical',
        hours: [9, 14, 24],
        parts: [180, 300, 520],
        access: ['gearbox out'],
        later: 350,
      },
    ],
  },
  'rally-lamps': {
    note: 'Anselm, scrutineering now asks for the battery switch to be reached from outside. I ask before I do it.',
    lines: [
      {
        key: 'switch',
        title: 'Battery switch with an outside pull',
        why: 'The rules of the event ask for it.',
        class: 'safety',
        work: 'electrical',
        hours: [2, 3, 4],
        parts: [46, 58, 75],
      },
      {
        key: 'lamps',
        title: 'Second pair of spot lamps',
        why: 'You asked for it; the bracket takes four.',
        class: 'nice',
        work: 'electrical',
        hours: [2, 2.5, 4],
        parts: [120, 140, 190],
      },
    ],
  },
  camper: {
    note: 'Dear Tove, do not use the heater or the gas before this is done. The gas side is signed by a registered gas fitter, whatever you decide here.',
    lines: [
      {
        key: 'heater',
        title: 'Old heater out, a sealed one in',
        finding: 'cab heater draws',
        why: 'It draws its air from the engine bay; carbon monoxide can come in.',
        class: 'safety',
        work: 'mechanical',
        hours: [6, 10, 14],
        parts: [500, 540, 600],
      },
      {
        key: 'locker',
        title: 'Gas locker vented and sealed',
        finding: 'gas locker has no',
        why: 'It has no drop-out vent.',
        class: 'safety',
        work: 'metalwork',
        hours: [2, 3, 5],
        parts: [30, 45, 60],
      },
      {
        key: 'sills',
        title: 'Outer sills, both sides',
        finding: 'outer sills rotten',
        why: 'Rotten; that is where the wet carpet comes from.',
        class: 'must',
        work: 'metalwork',
        hours: [14, 18, 28],
        parts: [160, 190, 260],
      },
      {
        key: 'belts',
        title: 'Lap belts on the rear bench',
        why: 'There are none; the children sit there.',
        class: 'safety',
        work: 'metalwork',
        hours: [4, 6, 9],
        parts: [90, 110, 140],
      },
      {
        key: 'canvas',
        title: 'Elevating roof canvas',
        finding: 'elevating roof canvas torn',
        why: 'Torn on the left.',
        class: 'nice',
        work: 'trim',
        hours: [4, 5, 8],
        parts: [130, 150, 190],
      },
    ],
  },
  'estate-roof': {
    note: 'Dear Hugh, the roof canvas will not stretch over the new rail. There are two honest ways, and I would be content with either.',
    choices: [
      {
        title: 'Roof canvas',
        ways: [
          {
            key: 'new',
            name: 'A new canvas, cut to the new rail',
            weeks: [2, 3],
            risk: 'Nothing but its look: new cloth looks new. The old one goes into the loft box, marked.',
          },
          {
            key: 'old',
            name: 'The old canvas let out along the rail',
            weeks: [1, 2],
            risk: 'Old cloth may tear along the new seam within a few winters, and then it is a new one after all.',
          },
        ],
      },
    ],
    lines: [
      {
        key: 'corners',
        title: 'Rear corners sealed and drained',
        finding: 'roof canvas leaking',
        why: 'That is where the water came in; it is needed whichever way the canvas goes.',
        class: 'should',
        work: 'trim',
        hours: [5, 7, 10],
        parts: [90, 120, 150],
      },
      {
        key: 'canvas',
        title: 'New canvas made and fitted',
        finding: 'roof canvas will not stretch',
        why: 'The old one is two inches short at the corner.',
        class: 'must',
        work: 'trim',
        hours: [8, 9, 12],
        parts: [190, 210, 260],
        way: 'new',
      },
      {
        key: 'strip',
        title: 'Old canvas let out with a strip of the same weave',
        why: 'Keeps the cloth that came with the car.',
        class: 'must',
        work: 'trim',
        hours: [9, 13, 22],
        parts: [30, 40, 60],
        way: 'old',
      },
      {
        key: 'proof',
        title: 'Old canvas cleaned and proofed',
        why: 'Old cloth drinks; without it the corners leak again.',
        class: 'should',
        work: 'trim',
        hours: [2, 3, 5],
        parts: [25, 35, 45],
        way: 'old',
        needs: ['strip'],
      },
    ],
  },
};

export const ANSWERED: Record<string, DemoAnswer> = {
  van: {
    via: 'page',
    answers: {
      crossmember: 'approve',
      brakes: 'approve',
      hatch: 'approve',
      chime: 'wait',
      counter: 'approve',
      paint: 'approve',
    },
  },
  'van-valve': {
    via: 'telephone',
    said: 'Rang at lunch. Do the valve now, she does not want to hear of it again; the chime can wait for the winter.',
    answers: {
      crossmember: 'approve',
      brakes: 'approve',
      hatch: 'approve',
      chime: 'wait',
      counter: 'approve',
      paint: 'approve',
      valve: 'approve',
    },
  },
  rally: { via: 'page', answers: { wing: 'approve', belts: 'approve', gearbox: 'approve' } },
  camper: {
    via: 'page',
    understood: true,
    answers: { heater: 'approve', locker: 'approve', sills: 'approve', belts: 'decline', canvas: 'wait' },
  },
};
