import type { Narration } from './narrations.ts';

/** As `longNarrations.ts`, written after the rules were and kept out of sight while they are changed: what they measure is honest. */
export const UNSEEN_NARRATIONS: Narration[] = [
  {
    name: 'unseen: British, five cars, Tuesday morning',
    text: 'Morning everybody. Camper first. Joss fitted the new flue, two hours, and tested the heater for carbon monoxide, nothing on the meter. Spent 11.80 on sealant. Over to the rally car, the bearings arrived from Cobb Springs this morning. I pressed them in, an hour and a half. Found the selector fork bent, 55 and two hours, must. The estate, glued the last roof bow, one hour, next we stretch the canvas. The hearse, waiting on the windscreen rubber from Tern & Sons since Friday. And the drophead, told Ruan the chrome is late.',
    entries: [
      { car: 'camper', kind: 'fitted', has: 'new flue', minutes: 120 },
      { car: 'camper', kind: 'did', has: 'carbon monoxide' },
      { car: 'camper', kind: 'spent', has: 'sealant', money: 1180 },
      { car: 'rally car', kind: 'arrived', has: 'bearings' },
      { car: 'rally car', kind: 'did', has: 'pressed them in', minutes: 90 },
      { car: 'rally car', kind: 'found', has: 'selector fork', minutes: 120, money: 5500 },
      { car: 'estate', kind: 'did', has: 'roof bow', minutes: 60 },
      { car: 'estate', kind: 'next', has: 'canvas' },
      { car: 'hearse', kind: 'waiting', has: 'windscreen rubber' },
      { car: 'drophead', kind: 'told', has: 'chrome is late' },
    ],
    aside: ['Morning everybody'],
  },
  {
    name: 'unseen: no stops, two cars, dictated in the paint shop',
    text: 'so the milk float I rubbed the primer down three hours and masked the glass one hour and found a dent in the rear panel I had missed two hours should and ordered two litres of cream from Tern & Sons 96 pounds due wednesday then back to the ice-cream van polished the lower panels four hours and spent 8.50 on pads still waiting on the transfers for the sides',
    entries: [
      { car: 'milk float', kind: 'did', has: 'primer', minutes: 180 },
      { car: 'milk float', kind: 'did', has: 'masked the glass', minutes: 60 },
      { car: 'milk float', kind: 'found', has: 'dent', minutes: 120 },
      { car: 'milk float', kind: 'ordered', has: 'litres of cream', money: 9600 },
      { car: 'ice-cream van', kind: 'did', has: 'lower panels', minutes: 240 },
      { car: 'ice-cream van', kind: 'spent', has: 'pads', money: 850 },
      { car: 'ice-cream van', kind: 'waiting', has: 'transfers' },
    ],
  },
  {
    name: 'unseen: American, one car, engine on the bench',
    text: "Okay, microcar, engine is on the bench. Pulled the barrel and piston, an hour. Bore measures 2.487 in at the top and 2.484 in at the skirt. Found a broken top ring and scuffing on the thrust side, 140 and three hours, must. Asked Ilse if she is good with an oversize piston. Ordered a gasket set from Cobb Springs, 28.40, due Monday. Cleaned the fins, half an hour. Let's see what she says. Next is the crank seals.",
    entries: [
      { car: 'microcar', kind: 'did', has: 'barrel and piston', minutes: 60 },
      { car: 'microcar', kind: 'reading', has: 'Bore measures' },
      { car: 'microcar', kind: 'found', has: 'broken top ring', minutes: 180, money: 14_000 },
      { car: 'microcar', kind: 'asked', has: 'oversize piston' },
      { car: 'microcar', kind: 'ordered', has: 'gasket set', money: 2840 },
      { car: 'microcar', kind: 'did', has: 'fins', minutes: 30 },
      { car: 'microcar', kind: 'next', has: 'crank seals' },
    ],
    aside: ["Let's see"],
  },
  {
    name: 'unseen: Australian, four cars, end of the week',
    text: "Alright, Friday arvo. Hearse, chucked the new hinges on, took two hours, door shuts like a bank vault. Drophead, the bumpers are back from Halcyon Platers. Rally car, she's waiting on Anselm for the seats, no word since Tuesday. Found the fuel pump weeping, 38 and an hour, safety. Milk float, swapped the contactor, two and a half hours, and it runs. Knock off time, cheers fellas.",
    entries: [
      { car: 'hearse', kind: 'fitted', has: 'new hinges', minutes: 120 },
      { car: 'drophead', kind: 'arrived', has: 'bumpers' },
      { car: 'rally car', kind: 'waiting', has: 'Anselm' },
      { car: 'rally car', kind: 'found', has: 'fuel pump', minutes: 60, money: 3800 },
      { car: 'milk float', kind: 'did', has: 'contactor', minutes: 150 },
    ],
    aside: ['Friday arvo', 'cheers fellas'],
  },
  {
    name: 'unseen: the desk, parts and people',
    text: 'Estate. Hugh rang to ask when the glass comes. Told him Friday week. Ordered the gutter strip again from Tern & Sons, 12.60. Camper. Tove said no to the second battery. Moved to bay 2. Drophead. Asked the platers about the badge. Spent 6.40 on stamps for the parcel. Milk float. The charger arrived from Skerry Electrics, waiting for somebody to wire it.',
    entries: [
      { car: 'estate', kind: 'asked', has: 'glass comes' },
      { car: 'estate', kind: 'told', has: 'Friday week' },
      { car: 'estate', kind: 'ordered', has: 'gutter strip', money: 1260 },
      { car: 'camper', kind: 'decided', has: 'second battery' },
      { car: 'camper', kind: 'moved', has: 'bay 2' },
      { car: 'drophead', kind: 'asked', has: 'badge' },
      { car: 'drophead', kind: 'spent', has: 'stamps', money: 640 },
      { car: 'milk float', kind: 'arrived', has: 'charger' },
      { car: 'milk float', kind: 'waiting', has: 'wire it' },
    ],
  },
];
