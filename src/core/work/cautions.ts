/** Where work can hurt somebody: what is shown with the task, before it is begun. Local codes and licensed practice come first. */
export const CAUTIONS = {
  lifting:
    'Never under a vehicle that only a jack holds: a lift or stands on firm ground, and a push to see that it stands.',
  fuel: 'No flame, spark or hot work near fuel; drained fuel goes into a sealed can, outside; an extinguisher at hand.',
  springs: 'A compressed spring can kill: the right compressor, and nobody in its line.',
  brakes:
    'Brake dust may hold asbestos: wet it, vacuum it with a fine filter, never blow it. Fluid eats paint and eyes. Nobody drives before the pedal has held.',
  'high voltage':
    'High voltage kills: isolated, locked off and proved dead by a qualified person before anybody touches it.',
  gas: 'Gas work is for a registered gas fitter only. Smell first; no flame and no switch.',
  airbags:
    'Airbags and belt tensioners: battery off, wait as their maker says, never measured with a meter, never in their line.',
  dust: 'Blast, lead and filler dust: extraction, a mask that fits, and the clothes stay in the shop.',
  isocyanates:
    'Two-pack paint holds isocyanates: air-fed mask, extraction running, nobody else in the room until it is clear.',
  'hot work':
    'Hot work: what burns is out of the way on both sides, extinguisher at hand, and a look an hour later.',
  turning: 'Nothing turns while a hand is near it: gear out, wheels chocked, loose clothes off.',
  chemicals: 'Gloves and eyes covered; the data sheet of what is in the tank lies beside it.',
  battery: 'Battery off before wires are moved; a battery that gasses takes no sparks.',
  exhaust: 'Carbon monoxide: run it outside, or with extraction.',
  heavy: 'Two people or the hoist: engines, gearboxes, doors and glass are not carried alone.',
} as const;
export type Caution = keyof typeof CAUTIONS;

export const LOCAL_RULES = 'Local codes and licensed practice come first.';
export const isCaution = (text: string): text is Caution => Object.hasOwn(CAUTIONS, text);
