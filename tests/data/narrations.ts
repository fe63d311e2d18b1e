/**
 * Runs of plain speech as they are dictated on a walk round a shop, with the cars and entries that must come of them. Made up;
 * the shop is the one of the demo. Day: Wednesday 11 March 2026; money: GBP.
 */
import type { CaptureContext } from '#core/capture/types.ts';
import type { Kind } from '#core/log/kinds.ts';

export interface SaidEntry {
  /** The nickname of the car. */
  car: string;
  kind: Kind | 'next';
  /** Words that the entry holds. */
  has: string;
  minutes?: number;
  /** Minor units. */
  money?: number;
  /** The day that it is expected on. */
  due?: string;
  /** What was measured, as “19 deg”. */
  measures?: readonly string[];
}

export interface Narration {
  name: string;
  text: string;
  entries: SaidEntry[];
  /** Words that must be set aside. */
  aside?: string[];
}

export const CARS = [
  { id: 'van', name: 'ice-cream van', aliases: ['B-0001', 'Marta Quill'], customer: 'Marta Quill' },
  { id: 'rally', name: 'rally car', aliases: ['B-0002', 'Ilse Brandt'], customer: 'Ilse Brandt' },
  { id: 'estate', name: 'estate', aliases: ['B-0003', 'Hugh Pellow'], customer: 'Hugh Pellow' },
  { id: 'float', name: 'milk float', aliases: ['B-0004'] },
  { id: 'micro', name: 'microcar', aliases: ['B-0005'], customer: 'Ilse Brandt' },
  { id: 'camper', name: 'camper', aliases: ['B-0006'] },
  { id: 'hearse', name: 'hearse', aliases: ['B-0007', 'Dex Marlow'], customer: 'Dex Marlow' },
  { id: 'drop', name: 'drophead', aliases: ['B-0008', 'Ruan Teague'], customer: 'Ruan Teague' },
] as const;

/** What the reading knows of this shop. */
export const SHOP_OF_NARRATIONS: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'imperial',
  locale: 'en-GB',
  builds: CARS,
  people: [{ id: 'joss', name: 'Joss Arkwright' }],
  vendors: ['Tern & Sons', 'Skerry Electrics', 'Cobb Springs'].map((name) => ({ id: name, name })),
  parts: [],
  places: ['Bay 2', 'Lift 1', 'Booth'].map((name) => ({ id: name, name })),
};

export const NARRATIONS: Narration[] = [
  {
    name: 'tidy, two cars, with stops',
    text: 'Ice-cream van. Did the serving hatch hinges, three hours. Ordered two window winders from Tern & Sons, 46.50, due Friday. The hearse. Found the screen rubber perished, 41 and two hours, should. Waiting on the side glass since Monday.',
    entries: [
      { car: 'ice-cream van', kind: 'did', has: 'hinges', minutes: 180 },
      { car: 'ice-cream van', kind: 'ordered', has: 'window winders', money: 4650 },
      { car: 'hearse', kind: 'found', has: 'screen rubber', minutes: 120, money: 4100 },
      { car: 'hearse', kind: 'waiting', has: 'side glass' },
    ],
  },
  {
    name: 'dictated without a stop, three cars',
    text: 'right so the ice-cream van did the serving hatch hinges three hours and ordered two rear lamps from Skerry Electrics 23.80 then over to the hearse found the tail door hinge cracked 35 and one hour must and painted the board racks two hours now the microcar hood frame is back from the welder',
    entries: [
      { car: 'ice-cream van', kind: 'did', has: 'hinges', minutes: 180 },
      { car: 'ice-cream van', kind: 'ordered', has: 'rear lamps', money: 2380 },
      { car: 'hearse', kind: 'found', has: 'tail door hinge', minutes: 60, money: 3500 },
      { car: 'hearse', kind: 'did', has: 'board racks', minutes: 120 },
      { car: 'microcar', kind: 'arrived', has: 'hood frame' },
    ],
  },
  {
    name: 'rambling, with a greeting and a kettle',
    text: 'Good morning all, is this thing on. Okay the camper, fitted the gas locker seal, an hour and a half. Put the kettle on somebody. Spent 18 quid on fixings. Back to the hearse, stripped the offside door, 2 hours. That is the lot, cheers.',
    entries: [
      { car: 'camper', kind: 'fitted', has: 'gas locker seal', minutes: 90 },
      { car: 'camper', kind: 'spent', has: 'fixings', money: 1800 },
      { car: 'hearse', kind: 'did', has: 'offside door', minutes: 120 },
    ],
    aside: ['Good morning all', 'kettle', 'cheers'],
  },
  {
    name: 'back and forth, the other one',
    text: 'Rally car, measured the layshaft end float, 8 thou. The drophead, sewed the hood lining, four hours. Back to the other one, cleaned the case, 2 hours.',
    entries: [
      { car: 'rally car', kind: 'reading', has: 'end float' },
      { car: 'drophead', kind: 'did', has: 'hood lining', minutes: 240 },
      { car: 'rally car', kind: 'did', has: 'case', minutes: 120 },
    ],
  },
  {
    name: 'a car that is only mentioned is no turn',
    text: 'Estate. Moved it next to the hearse. Fitted the gutter strip, 1 hour. It is stuck waiting for the ice-cream van to leave bay 2.',
    entries: [
      { car: 'estate', kind: 'moved', has: 'next to the hearse' },
      { car: 'estate', kind: 'fitted', has: 'gutter strip', minutes: 60 },
      { car: 'estate', kind: 'waiting', has: 'ice-cream van' },
    ],
  },
  {
    name: 'by number and by customer',
    text: 'B-0005 ordered a hood catch from Cobb Springs, 12.40. Hugh Pellow said yes to the canvas. B-0008 found the nearside lamp bracket bent, half an hour.',
    entries: [
      { car: 'microcar', kind: 'ordered', has: 'hood catch', money: 1240 },
      { car: 'estate', kind: 'decided', has: 'canvas' },
      { car: 'drophead', kind: 'found', has: 'lamp bracket', minutes: 30 },
    ],
  },
  {
    name: 'what comes next',
    text: 'The milk float, wired the charger up, 3 hours. Next we want the battery box back in. The camper, primed the sills, 2 hours. Next is top coat.',
    entries: [
      { car: 'milk float', kind: 'did', has: 'charger', minutes: 180 },
      { car: 'milk float', kind: 'next', has: 'battery box' },
      { car: 'camper', kind: 'did', has: 'sills', minutes: 120 },
      { car: 'camper', kind: 'next', has: 'top coat' },
    ],
  },
  {
    name: 'American, run together',
    text: 'okay so the rally car we pulled the transmission 4 hours and found the front seal leaking 22 and half an hour and then the drophead is back from the upholsterer and we ordered a set of hood latches from Cobb Springs for 88 moving on to the microcar still waiting on the brake drums from the machine shop',
    entries: [
      { car: 'rally car', kind: 'did', has: 'transmission', minutes: 240 },
      { car: 'rally car', kind: 'found', has: 'front seal', minutes: 30, money: 2200 },
      { car: 'drophead', kind: 'arrived', has: 'upholsterer' },
      { car: 'drophead', kind: 'ordered', has: 'hood latches', money: 8800 },
      { car: 'microcar', kind: 'waiting', has: 'brake drums' },
    ],
  },
  {
    name: 'Australian, one car, no stops',
    text: 'righto the milk float we pulled the controller out two hours and found the main contactor burnt 140 and three hours must then ordered a new one from Skerry Electrics 138 due friday still waiting on the charger from them and the battery box is back from the powder coaters',
    entries: [
      { car: 'milk float', kind: 'did', has: 'controller', minutes: 120 },
      { car: 'milk float', kind: 'found', has: 'main contactor', minutes: 180, money: 14_000 },
      { car: 'milk float', kind: 'ordered', has: 'new one', money: 13_800 },
      { car: 'milk float', kind: 'waiting', has: 'charger' },
      { car: 'milk float', kind: 'arrived', has: 'battery box' },
    ],
  },
  {
    name: 'tidy, with people',
    text: 'Camper. Joss did the sills, six hours. Joss found the locker vent blocked. Moved to lift 1. Asked the customer whether the old heater goes.',
    entries: [
      { car: 'camper', kind: 'did', has: 'sills', minutes: 360 },
      { car: 'camper', kind: 'found', has: 'locker vent' },
      { car: 'camper', kind: 'moved', has: 'lift 1' },
      { car: 'camper', kind: 'asked', has: 'old heater' },
    ],
  },
  {
    name: 'five cars, a line each',
    text: 'Ice-cream van is in bay 2. Rally car, fitted the synchro rings, 2h. Estate needs the roof strip, told Hugh. Milk float still waiting on the charger. Hearse, spent 9.80 on masking tape.',
    entries: [
      { car: 'ice-cream van', kind: 'moved', has: 'bay 2' },
      { car: 'rally car', kind: 'fitted', has: 'synchro rings', minutes: 120 },
      { car: 'estate', kind: 'told', has: 'roof strip' },
      { car: 'milk float', kind: 'waiting', has: 'charger' },
      { car: 'hearse', kind: 'spent', has: 'masking tape', money: 980 },
    ],
  },
  {
    name: 'an aside about the dog between two things',
    text: 'So the drophead, the nearside door skin is welded in, four hours. Mind the dog. And the hinges are hung, one hour.',
    entries: [
      { car: 'drophead', kind: 'did', has: 'door skin', minutes: 240 },
      { car: 'drophead', kind: 'fitted', has: 'hinges', minutes: 60 },
    ],
    aside: ['Mind the dog'],
  },
  {
    name: 'readings in a row',
    text: 'Rally car. Compression 118 psi, 121 psi, 117 psi. The hearse, measured the ride height, 212 mm left and 209 mm right.',
    entries: [
      { car: 'rally car', kind: 'reading', has: 'Compression' },
      { car: 'hearse', kind: 'reading', has: 'ride height' },
    ],
  },
  {
    name: 'somebody else’s money is no amount of this shop',
    text: "Okay the microcar's hood latch showed up. We paid the welder 60 bucks. Then back to the rally car, swapped the rear seal, three and a half hours.",
    entries: [
      { car: 'microcar', kind: 'arrived', has: 'hood latch' },
      { car: 'microcar', kind: 'spent', has: 'welder' },
      { car: 'rally car', kind: 'did', has: 'rear seal', minutes: 210 },
    ],
  },
  {
    name: 'walking along, then the drophead, then the hearse',
    text: 'then the drophead nothing new there then the hearse primed the floor slats three hours and spent 22 on primer then the camper waiting for the canvas since monday',
    entries: [
      { car: 'drophead', kind: 'note', has: 'nothing new' },
      { car: 'hearse', kind: 'did', has: 'floor slats', minutes: 180 },
      { car: 'hearse', kind: 'spent', has: 'primer', money: 2200 },
      { car: 'camper', kind: 'waiting', has: 'canvas' },
    ],
  },
  {
    name: 'a decision and what follows from it',
    text: 'Ice-cream van. Marta says yes to the tailgate post. So ordered the steel, 34, due Monday. Painted the lower panels yesterday, eight hours.',
    entries: [
      { car: 'ice-cream van', kind: 'decided', has: 'tailgate post' },
      { car: 'ice-cream van', kind: 'ordered', has: 'steel', money: 3400 },
      { car: 'ice-cream van', kind: 'did', has: 'lower panels', minutes: 480 },
    ],
  },
];
