import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** Written after the last change of the rules, measured once, and not looked at one by one. */
export const UNTOUCHED_NARRATIONS: Narration[] = [
  {
    name: 'blind: British, three cars, Monday',
    text: 'Monday. The camper. Refitted the sink, an hour and a quarter, and plumbed it, half an hour. Found the waste pipe split, 7 and twenty minutes, should. The drophead. Waiting for the hood buttons from Tern & Sons. The hearse. Sanded the wheel arches, two and a half hours.',
    entries: [
      e('camper', 'fitted', 'sink', 75),
      e('camper', 'did', 'plumbed it', 30),
      e('camper', 'found', 'waste pipe', 20, 700),
      e('drophead', 'waiting', 'hood buttons'),
      e('hearse', 'did', 'wheel arches', 150),
    ],
  },
  {
    name: 'blind: no stops, British, three cars, cold hands',
    text: 'right the float I changed the drive belt forty minutes and the tensioner is noisy 31 and half an hour should then the estate the rear springs are on two hours ordered bump stops from Cobb Springs 16.20 due wednesday and the rally car spent 24 quid on brake fluid',
    entries: [
      e('milk float', 'did', 'drive belt', 40),
      e('milk float', 'found', 'tensioner', 30, 3100),
      e('estate', 'fitted', 'rear springs', 120),
      e('estate', 'ordered', 'bump stops', 0, 1620, { due: '2026-03-18' }),
      e('rally car', 'spent', 'brake fluid', 0, 2400),
    ],
  },
  {
    name: 'blind: American, three cars, calm',
    text: "Microcar first. I replaced the fuel hose, twenty minutes, and it starts right up now. The choke cable is frayed, 14 and half an hour, nice. Hearse. Dex called, he wants the curtains in dark red. Rally car. Ilse's seats arrived from the upholsterer, and I bolted them in, an hour.",
    entries: [
      e('microcar', 'did', 'fuel hose', 20),
      e('microcar', 'found', 'choke cable', 30, 1400),
      e('hearse', 'decided', 'curtains in dark red'),
      e('rally car', 'arrived', 'seats arrived'),
      e('rally car', 'fitted', 'bolted them in', 60),
    ],
  },
  {
    name: 'blind: Australian, two cars, no stops',
    text: "yeah g'day so the drophead I stripped the boot lid ninety minutes there's rust in both corners 35 and three hours must told Ruan he reckons do it and the van I cleaned the drains fifteen minutes and ordered a new drain tray from Tern & Sons 18.75",
    entries: [
      e('drophead', 'did', 'boot lid', 90),
      e('drophead', 'found', 'rust in both corners', 180, 3500),
      e('drophead', 'decided', 'do it'),
      e('ice-cream van', 'did', 'drains', 15),
      e('ice-cream van', 'ordered', 'drain tray', 0, 1875),
    ],
  },
  {
    name: 'blind: British, one car, doors',
    text: 'The hearse, all four doors. Hung the front pair, an hour and a half, gaps are 4 mm. The rear offside hinge pin is worn, 12 and an hour, should. Adjusted the strikers, twenty minutes. Ordered a hinge pin from Tern & Sons, 10.90, due Friday. Next, the window winders.',
    entries: [
      e('hearse', 'fitted', 'front pair', 90),
      e('hearse', 'found', 'hinge pin is worn', 60, 1200),
      e('hearse', 'did', 'strikers', 20),
      e('hearse', 'ordered', 'Ordered a hinge pin', 0, 1090, { due: '2026-03-13' }),
      e('hearse', 'next', 'window winders'),
    ],
  },
  {
    name: 'blind: no stops, American, four cars',
    text: 'okay the camper is on lift 1 I greased the front end twenty minutes then the estate found the muffler rusted through 58 and an hour must over to the microcar we are waiting on the title from Ilse and the rally car I torqued the head to 70 foot pounds half an hour',
    entries: [
      e('camper', 'did', 'front end', 20),
      e('estate', 'found', 'muffler', 60, 5800),
      e('microcar', 'waiting', 'title'),
      e('rally car', 'did', 'torqued the head', 30, 0, { measures: ['70 lb-ft'] }),
    ],
  },
  {
    name: 'blind: British, four cars, deliveries and bills',
    text: 'The estate door cards arrived from the trimmer. Paid him 240. The float batteries are here, six of them, 780 from Skerry Electrics. The hearse lamps are still not here. Bought two tins of stain for the camper, 19.50.',
    entries: [
      e('estate', 'arrived', 'door cards'),
      e('estate', 'spent', 'Paid him', 0, 24_000),
      e('milk float', 'arrived', 'batteries', 0, 78_000),
      e('hearse', 'waiting', 'lamps'),
      e('camper', 'spent', 'tins of stain', 0, 1950),
    ],
  },
  {
    name: 'blind: no stops, British, two cars, a technician',
    text: 'on the rally car I made the exhaust bracket an hour and welded it on twenty minutes the flange is cracked 23 and an hour and a half must and on the drophead I took the carpets out fifteen minutes and dried the floor an hour it leaks at the screen',
    entries: [
      e('rally car', 'did', 'exhaust bracket', 60),
      e('rally car', 'did', 'welded it on', 20),
      e('rally car', 'found', 'flange is cracked', 90, 2300),
      e('drophead', 'did', 'carpets out', 15),
      e('drophead', 'did', 'dried the floor', 60),
      e('drophead', 'found', 'leaks at the screen'),
    ],
  },
  {
    name: 'blind: Irish, three cars',
    text: "Well now, the estate. Joss and I fitted the windscreen, two hours, and not a crack in it. The wiper spindle's loose, 11 and half an hour, nice. The van, Marta was asking about the chimes, I told her Thursday. The camper, nothing yet from the gas man.",
    entries: [
      e('estate', 'fitted', 'windscreen', 120),
      e('estate', 'found', 'wiper spindle', 30, 1100),
      e('ice-cream van', 'asked', 'chimes'),
      e('ice-cream van', 'told', 'told her Thursday'),
      e('camper', 'waiting', 'gas man'),
    ],
  },
  {
    name: 'blind: American, two cars, a parts list',
    text: 'Hearse parts. Ordered the tail lamp lens from Skerry Electrics, 31, due Monday. Ordered two door checks from Tern & Sons, 27.40, due Tuesday. The headliner bows showed up. Microcar, one thing, the speedometer works again, half an hour.',
    entries: [
      e('hearse', 'ordered', 'tail lamp lens', 0, 3100, { due: '2026-03-16' }),
      e('hearse', 'ordered', 'two door checks', 0, 2740, { due: '2026-03-17' }),
      e('hearse', 'arrived', 'headliner bows'),
      e('microcar', 'did', 'speedometer', 30),
    ],
  },
  {
    name: 'blind: British, four cars, paint and trim',
    text: 'Painted the estate tailgate, two hours. The drophead wings need another coat. Hearse, polished the roof, three hours, and waxed it, half an hour. The microcar seat cover is sewn, four hours, and the piping is on order from Tern & Sons, 8.20.',
    entries: [
      e('estate', 'did', 'tailgate', 120),
      e('hearse', 'did', 'polished the roof', 180),
      e('hearse', 'did', 'waxed it', 30),
      e('microcar', 'did', 'seat cover', 240),
      e('microcar', 'ordered', 'piping', 0, 820),
    ],
  },
  {
    name: 'blind: no stops, Australian, three cars, home time',
    text: "home time the float has new tyres on forty minutes 188 from Cobb Springs the hearse the paint's gone off nicely I flatted one door an hour and the rally car still waiting on the cage padding and I fitted the harness bar twenty five minutes",
    entries: [
      e('milk float', 'fitted', 'new tyres', 40),
      e('hearse', 'did', 'flatted one door', 60),
      e('rally car', 'waiting', 'cage padding'),
      e('rally car', 'fitted', 'harness bar', 25),
    ],
  },
  {
    name: 'blind: British, a surprise, two cars',
    text: "I found something on the milk float. Behind the seat there's a hole you could put a fist through, 40 and two hours, must. Told the owner. He agreed, 40 and two hours. Cut it back, half an hour. The van's ready, washed it, twenty minutes, Marta collects it tomorrow.",
    entries: [
      e('milk float', 'found', 'a hole you could', 120, 4000),
      e('milk float', 'decided', 'He agreed', 120, 4000),
      e('milk float', 'did', 'Cut it back', 30),
      e('ice-cream van', 'did', 'washed it', 20),
    ],
  },
  {
    name: 'blind: American, three cars, measuring',
    text: 'Rally car, cylinder leak down is 8 percent on one, 11 percent on two. Brake pedal travel is 55 millimeters, bled it, twenty minutes. Estate, charging at 14.1 volts. Drophead, toe is out by 3 millimeters, set it, forty minutes.',
    entries: [
      e('rally car', 'reading', '8 percent'),
      e('rally car', 'did', 'bled it', 20),
      e('estate', 'reading', '14.1 volts', 0, 0, { measures: ['14.1 V'] }),
      e('drophead', 'did', 'set it', 40),
    ],
  },
  {
    name: 'blind: no stops, British, four cars, after the holiday',
    text: 'first round of the week the camper dried out well so I sealed the roof two hours the estate Hugh has paid the second part and he said yes to the tow bar the microcar needs a new horn 16 and ten minutes nice and the hearse I put the number plates on five minutes',
    entries: [
      e('camper', 'did', 'sealed the roof', 120),
      e('estate', 'decided', 'tow bar'),
      e('microcar', 'found', 'new horn', 10, 1600),
      e('hearse', 'fitted', 'number plates', 5),
    ],
  },
  {
    name: 'blind: Scottish, two cars, grumbling',
    text: "That float. I've had the controller out again, an hour, and it's the same wee relay, 18 and half an hour, must. Ordered two this time, 34 from Skerry Electrics, due Saturday. The estate's heater's working, forty minutes, it was only the tap.",
    entries: [
      e('milk float', 'did', 'controller out', 60),
      e('milk float', 'found', 'relay', 30, 1800),
      e('milk float', 'ordered', 'Ordered two', 0, 3400, { due: '2026-03-14' }),
      e('estate', 'did', "heater's working", 40),
    ],
  },
];
