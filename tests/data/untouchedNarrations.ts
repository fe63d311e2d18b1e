import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** Written after the last change of the rules, measured once, and not looked at one by one. */
export const UNTOUCHED_NARRATIONS: Narration[] = [
  {
    name: 'untouched: British, four cars, Thursday',
    text: 'Thursday. The rally car. Rebuilt the rear calipers, two and a half hours. Found one bleed screw sheared, 6 and forty minutes, must. The estate. Ordered the gutter trim from Tern & Sons, 28.40, due Monday. The camper. Fitted the extractor, an hour. The drophead. Ruan decided on the tan carpet.',
    entries: [
      e('rally car', 'did', 'rear calipers', 150),
      e('rally car', 'found', 'bleed screw', 40, 600),
      e('estate', 'ordered', 'gutter trim', 0, 2840, { due: '2026-03-16' }),
      e('camper', 'fitted', 'extractor', 60),
      e('drophead', 'decided', 'tan carpet'),
    ],
  },
  {
    name: 'untouched: no stops, British, three cars',
    text: 'right the hearse we lined the coffin bay two hours and the trim strip is split 11 and twenty minutes nice then the milk float put the new dash in an hour and a quarter and it all lights up and the microcar is waiting on its windscreen from the glass people since last Tuesday',
    entries: [
      e('hearse', 'did', 'coffin bay', 120),
      e('hearse', 'found', 'trim strip', 20, 1100),
      e('milk float', 'fitted', 'new dash', 75),
      e('microcar', 'waiting', 'windscreen'),
    ],
  },
  {
    name: 'untouched: American, three cars, afternoon',
    text: "Afternoon walk. Estate: tailgate glass seal is in, fifty minutes, no leaks so far. Hearse: the idle hunts, so I cleaned the jets, forty minutes, and it's better. The choke spring is weak, 8 and half an hour, should. Ice-cream van: Marta came by and asked if we could do a new price board. I said I'd get a quote.",
    entries: [
      e('estate', 'fitted', 'glass seal', 50),
      e('hearse', 'did', 'cleaned the jets', 40),
      e('hearse', 'found', 'choke spring', 30, 800),
      e('ice-cream van', 'asked', 'price board'),
    ],
  },
  {
    name: 'untouched: Australian, four cars, no stops',
    text: "yeah the float first I greased the king pins fifteen minutes and swapped a wheel nut then the drophead the header rail is primed an hour and ordered paint from Tern & Sons 44 due friday the camper found a nail in the tyre 18 and half an hour must and the rally car's waiting for Ilse to ring back",
    entries: [
      e('milk float', 'did', 'king pins', 15),
      e('milk float', 'did', 'wheel nut'),
      e('drophead', 'did', 'header rail', 60),
      e('drophead', 'ordered', 'paint', 0, 4400, { due: '2026-03-13' }),
      e('camper', 'found', 'nail in the tyre', 30, 1800),
      e('rally car', 'waiting', 'Ilse to ring'),
    ],
  },
  {
    name: 'untouched: British, one car, an inspection',
    text: "A proper look over the microcar. Front pads are down to two millimetres, 32 and an hour, must. Rear shoes fine. Battery's at 12.5 volts. There's a split in the nearside driveshaft boot, 14 and an hour and a quarter, should. Steering box has a drop of oil on it, keep an eye. Took me an hour and a half. I've told Ilse what's needed and she says do the pads now.",
    entries: [
      e('microcar', 'found', 'Front pads', 60, 3200),
      e('microcar', 'reading', '12.5 volts', 0, 0, { measures: ['12.5 V'] }),
      e('microcar', 'found', 'driveshaft boot', 75, 1400),
      e('microcar', 'hours', 'an hour and a half', 90),
      e('microcar', 'decided', 'do the pads now'),
    ],
  },
  {
    name: 'untouched: no stops, American, two cars, on the creeper',
    text: "I'm under the hearse the exhaust hanger broke so I welded it twenty minutes the rear seal is seeping 25 and three hours should and I drained the diff ten minutes over on the estate the gas tank is out an hour and it is clean inside and I ordered a sender from Skerry Electrics 33.50",
    entries: [
      e('hearse', 'did', 'welded it', 20),
      e('hearse', 'found', 'rear seal', 180, 2500),
      e('hearse', 'did', 'drained the diff', 10),
      e('estate', 'did', 'gas tank is out', 60),
      e('estate', 'ordered', 'sender', 0, 3350),
    ],
  },
  {
    name: 'untouched: British, three cars, a delivery and a moan',
    text: "Cobb Springs finally delivered the camper's springs, 164. I had them on in two hours. They've sent the wrong bushes though, so I've asked them for the right ones. Estate: rubbed down the tailgate, an hour and twenty. Hearse: Joss painted the wheels, two hours, then knocked one over. So that's another half hour on Monday.",
    entries: [
      e('camper', 'arrived', "camper's springs", 0, 16_400),
      e('camper', 'fitted', 'on in two hours', 120),
      e('camper', 'asked', 'right ones'),
      e('estate', 'did', 'tailgate', 80),
      e('hearse', 'did', 'painted the wheels', 120),
    ],
  },
  {
    name: 'untouched: British, five cars, one line each',
    text: 'Van, cleaned the drip tray, ten minutes. Hearse, found the dash lamp out, 3 and ten minutes, nice. Estate, polished the brightwork, an hour. Camper, ordered hinges, 12.80, Tern & Sons. Drophead, spent 18.50 on thread and needles.',
    entries: [
      e('ice-cream van', 'did', 'drip tray', 10),
      e('hearse', 'found', 'dash lamp', 10, 300),
      e('estate', 'did', 'brightwork', 60),
      e('camper', 'ordered', 'hinges', 0, 1280),
      e('drophead', 'spent', 'thread', 0, 1850),
    ],
  },
  {
    name: 'untouched: American, one car, wiring harness',
    text: "Drophead harness. Laid out the new loom, an hour. Ran the rear section, two hours, and crimped the ends, forty minutes. The fuse panel came with a broken tab, I'm sending it back. Brake lights work, turn signals work. Paid 27.30 for connectors. Next is the engine bay.",
    entries: [
      e('drophead', 'did', 'Laid out', 60),
      e('drophead', 'did', 'rear section', 120),
      e('drophead', 'did', 'crimped the ends', 40),
      e('drophead', 'spent', 'connectors', 0, 2730),
      e('drophead', 'next', 'engine bay'),
    ],
  },
  {
    name: 'untouched: no stops, Scottish, three cars',
    text: 'the camper I fixed the step twenty minutes and the gas locker lid wants a hinge 7 and fifteen minutes should the rally car Joss and me fitted the windscreen an hour and a half and it is bonny then the van the tyres are 28 psi so I pumped them up',
    entries: [
      e('camper', 'did', 'fixed the step', 20),
      e('camper', 'found', 'gas locker lid', 15, 700),
      e('rally car', 'fitted', 'windscreen', 90),
      e('ice-cream van', 'reading', '28 psi', 0, 0, { measures: ['28 psi'] }),
    ],
  },
  {
    name: 'untouched: British, two cars, hood and paint',
    text: "The drophead's hood is on. Five hours today with Joss, and it closes. One of the press studs pulled out, 2 and ten minutes, nice. Told Ruan he can come and see it Saturday. The hearse is flatted and ready for its last coat, three hours. Booth was 21 degrees. Ordered thinners, 24.60.",
    entries: [
      e('drophead', 'fitted', 'hood is on'),
      e('drophead', 'hours', 'Five hours', 300),
      e('drophead', 'found', 'press studs', 10, 200),
      e('drophead', 'told', 'Told Ruan'),
      e('hearse', 'did', 'flatted and ready', 180),
      e('hearse', 'reading', '21 degrees', 0, 0, { measures: ['21 deg'] }),
      e('hearse', 'ordered', 'thinners', 0, 2460),
    ],
  },
  {
    name: 'untouched: British, four cars, the owner dictates in the van',
    text: "Ice-cream van, Marta has approved the fridge, 390 and three hours. Order it tomorrow. Rally car, Joss set the ride height, an hour, 120 millimetres at the front. Estate, I've ordered the carpet set from Tern & Sons, 215, three weeks. Milk float, new charger arrived, still boxed.",
    entries: [
      e('ice-cream van', 'decided', 'approved the fridge', 180, 39_000),
      e('rally car', 'did', 'ride height', 60, 0, { measures: ['120 mm'] }),
      e('estate', 'ordered', 'carpet set', 0, 21_500),
      e('milk float', 'arrived', 'new charger'),
    ],
  },
];
