/** The demo's estimates: what was priced, sent and answered. The stories call them by name: `@estimate van`. */
import { iceCreamVanEstimates } from './estimates/iceCreamVan.ts';
import { rallyCarEstimates } from './estimates/rallyCar.ts';
import { camperEstimates } from './estimates/camper.ts';
import { fairgroundLorryEstimates } from './estimates/fairgroundLorry.ts';
import { estateEstimates } from './estimates/estate.ts';
import type { DemoEstimate } from './estimates/shape.ts';
import type { Answer } from '#core/approval/answers.ts';
import type { Work } from '#core/estimate/lines.ts';

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
  'fairground lorry': {
    complaint: 'It shakes from thirty five on since my brother had it lengthened. We open again at Easter.',
    budget: 4000,
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
  ...iceCreamVanEstimates,
  ...rallyCarEstimates,
  ...camperEstimates,
  ...estateEstimates,
  ...fairgroundLorryEstimates,
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
  lorry: { via: 'page', answers: { splice: 'approve', shaft: 'approve', nuts: 'approve' } },
  rally: { via: 'page', answers: { wing: 'approve', belts: 'approve', gearbox: 'approve' } },
  camper: {
    via: 'page',
    understood: true,
    answers: { heater: 'approve', locker: 'approve', sills: 'approve', belts: 'decline', canvas: 'wait' },
  },
};
