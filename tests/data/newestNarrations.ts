import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** As `afterNarrations.ts`, a batch later still. */
export const NEWEST_NARRATIONS: Narration[] = [
  {
    name: 'newest: British, three cars, Thursday morning',
    text: "Thursday morning. Milk float: fitted the reversing lamp, half an hour, and rewired the back panel, an hour and a half. The loom clip's broken, 3 and ten minutes, nice. Hearse: waiting for Dex to choose between the grey and the black. Drophead: I had the boot hinges off and cleaned, forty minutes. Ordered hinge pins from Cobb Springs, 9.75, due Monday.",
    entries: [
      e('milk float', 'fitted', 'reversing lamp', 30),
      e('milk float', 'did', 'rewired the back panel', 90),
      e('milk float', 'found', "clip's broken", 10, 300),
      e('hearse', 'waiting', 'Dex to choose'),
      e('drophead', 'did', 'boot hinges', 40),
      e('drophead', 'ordered', 'hinge pins', 0, 975, { due: '2026-03-16' }),
    ],
  },
  {
    name: 'newest: no stops, American, three cars',
    text: "all right the estate we got the tailgate hung and lined up two hours and the latch is worn 24 and a half hour should then the camper I put in the new water pump forty five minutes it runs quiet and ordered a filter from Tern & Sons 16.80 and the rally car is waiting on the machine shop for the flywheel they said Thursday",
    entries: [
      e('estate', 'fitted', 'tailgate hung', 120),
      e('estate', 'found', 'latch is worn', 30, 2400),
      e('camper', 'fitted', 'water pump', 45),
      e('camper', 'ordered', 'filter', 0, 1680),
      e('rally car', 'waiting', 'flywheel'),
    ],
  },
  {
    name: 'newest: Australian, four cars, arvo',
    text: "Arvo all. Hearse: shot the roof in primer, two and a quarter hours, came up a treat. Van: the fridge seal's perished, 36 and an hour, should. I told Marta, she reckons leave it till winter. Microcar: set the timing at 8 degrees, half an hour. Rally car: the new radiator landed, 245 from Cobb Springs, and I bolted it in, an hour and ten.",
    entries: [
      e('hearse', 'did', 'in primer', 135),
      e('ice-cream van', 'found', 'fridge seal', 60, 3600),
      e('ice-cream van', 'decided', 'leave it till winter'),
      e('microcar', 'did', 'timing', 30, 0, { measures: ['8 deg'] }),
      e('rally car', 'arrived', 'radiator', 0, 24_500),
      e('rally car', 'fitted', 'bolted it in', 70),
    ],
  },
  {
    name: 'newest: British, one car, step by step',
    text: "The estate, start to finish. Jacked it up and took the nearside wheel off, ten minutes. The track rod end has play in it, 19 and an hour, must. The damper's weeping but it'll do another year, tell Hugh. Brake disc is 9.4 millimetres, minimum is 9. Cleaned everything up, 25 minutes, and put the wheel back on. Torque was 70 foot pounds. Then I ordered the track rod end, 18.60, from Cobb Springs, it comes Friday.",
    entries: [
      e('estate', 'did', 'nearside wheel off', 10),
      e('estate', 'found', 'track rod end has play', 60, 1900),
      e('estate', 'found', "damper's weeping"),
      e('estate', 'reading', '9.4 millimetres'),
      e('estate', 'did', 'Cleaned everything', 25),
      e('estate', 'fitted', 'wheel back on'),
      e('estate', 'reading', '70 foot pounds', 0, 0, { measures: ['70 lb-ft'] }),
      e('estate', 'ordered', 'ordered the track rod end', 0, 1860, { due: '2026-03-13' }),
    ],
  },
  {
    name: 'newest: no stops, British, five cars',
    text: 'morning round the float has been on charge since six now the camper the curtain rail is up half an hour and I measured for the cushions then the hearse we sanded the bonnet three hours and the lamp ring is pitted 28 and half an hour nice over at the drophead Ruan rang to ask about the tonneau I said two weeks and last the microcar spent 7.40 on fuses and found the fuse box cracked 22 and an hour should',
    entries: [
      e('camper', 'fitted', 'curtain rail', 30),
      e('hearse', 'did', 'bonnet', 180),
      e('hearse', 'found', 'lamp ring', 30, 2800),
      e('drophead', 'asked', 'tonneau'),
      e('microcar', 'spent', 'fuses', 0, 740),
      e('microcar', 'found', 'fuse box cracked', 60, 2200),
    ],
  },
  {
    name: 'newest: American, two cars, telling a story',
    text: "So the ice-cream van wouldn't start this morning. Turned out the ground strap had come loose, tightened it, ten minutes. While I was in there I noticed the battery clamp is cracked, 8 and a quarter hour, should. Marta needs it Saturday. The hearse, I spent three hours fitting the headliner and I'm not happy with the back corner, so I'll redo that tomorrow. Paid 42.50 for contact adhesive.",
    entries: [
      e('ice-cream van', 'did', 'tightened it', 10),
      e('ice-cream van', 'found', 'battery clamp', 15, 800),
      e('hearse', 'fitted', 'headliner', 180),
      e('hearse', 'next', 'redo that tomorrow'),
      e('hearse', 'spent', 'contact adhesive', 0, 4250),
    ],
  },
  {
    name: 'newest: British, parts day, five cars',
    text: 'Parts. The rally car gaskets are in from Cobb Springs, 54.30. The drophead chrome is still at the platers, three weeks now. Ordered the estate a new dipstick, 11, from Tern & Sons, due next Wednesday. The camper regulator is here but the hose is missing. Nothing from Skerry about the float charger.',
    entries: [
      e('rally car', 'arrived', 'gaskets', 0, 5430),
      e('drophead', 'waiting', 'chrome'),
      e('estate', 'ordered', 'dipstick', 0, 1100, { due: '2026-03-18' }),
      e('camper', 'arrived', 'regulator'),
      e('milk float', 'waiting', 'Nothing from Skerry'),
    ],
  },
  {
    name: 'newest: no stops, Australian, two cars',
    text: "okay mate microcar's first pulled the left front hub forty minutes and the bearing is stuffed 33 and an hour and a half must so I ordered one from Cobb Springs 31 due thursday and greased the other side fifteen minutes now the estate Hugh came past and he agreed to the new carpets that is 180 and four hours and he asked me not to touch the seats",
    entries: [
      e('microcar', 'did', 'left front hub', 40),
      e('microcar', 'found', 'bearing is stuffed', 90, 3300),
      e('microcar', 'ordered', 'from Cobb Springs', 0, 3100, { due: '2026-03-12' }),
      e('microcar', 'did', 'greased the other side', 15),
      e('estate', 'decided', 'new carpets', 240, 18_000),
      e('estate', 'decided', 'not to touch the seats'),
    ],
  },
  {
    name: 'newest: British, the trimmer, three cars',
    text: "I've been trimming. Drophead: cut and sewed the rear seat cover, five hours. The foam's had it, so that's 44 and an hour, should. Hearse: glued the deck cloth down, two hours. Used two tins of adhesive, 23.60. Camper: measured up for the bench, 1840 by 560 millimetres. Rang the owner, she wants the green check.",
    entries: [
      e('drophead', 'did', 'rear seat cover', 300),
      e('drophead', 'found', "foam's had it", 60, 4400),
      e('hearse', 'did', 'deck cloth', 120),
      e('hearse', 'spent', 'adhesive', 0, 2360),
      e('camper', 'did', 'measured up'),
      e('camper', 'decided', 'green check'),
    ],
  },
  {
    name: 'newest: American, four cars, quick notes',
    text: 'Quick notes. Rally car, oil pressure 62 psi hot. Changed the plugs, twenty minutes. Milk float, brake fluid flushed, an hour. Bought two quarts, 18. Drophead, top motor is dead, 95 and two hours, should. Estate, moved it to bay 2.',
    entries: [
      e('rally car', 'reading', '62 psi', 0, 0, { measures: ['62 psi'] }),
      e('rally car', 'did', 'plugs', 20),
      e('milk float', 'did', 'brake fluid', 60),
      e('milk float', 'spent', 'two quarts', 0, 1800),
      e('drophead', 'found', 'top motor', 120, 9500),
      e('estate', 'moved', 'bay 2'),
    ],
  },
  {
    name: 'newest: British, apprentice and owner, three cars',
    text: "Joss cleaned the rally car's gearbox case, two hours, and found a hairline crack by the drain plug. We'll have it welded, call it 90 and an hour, must. I wrote to Ilse about it. On the van I finished the serving counter, three and a half hours. It needs one more coat of oil. The hearse is on lift 1 with its wheels off, nothing else today.",
    entries: [
      e('rally car', 'did', 'gearbox case', 120),
      e('rally car', 'found', 'hairline crack', 60, 9000),
      e('rally car', 'told', 'wrote to Ilse'),
      e('ice-cream van', 'did', 'serving counter', 210),
      e('hearse', 'moved', 'on lift 1'),
    ],
  },
  {
    name: 'newest: no stops, British, the owner at speed, four cars',
    text: 'drophead done the hood catches fitted and working an hour hearse needs its glass back from the engraver been waiting since Thursday camper Joss has wired the second battery two hours and it charges at 14.2 volts van Marta says yes to the new signwriting 260 and she wants it in cream rally car gearbox is in an hour and fifty minutes',
    entries: [
      e('drophead', 'fitted', 'hood catches', 60),
      e('hearse', 'waiting', 'glass back'),
      e('camper', 'did', 'second battery', 120),
      e('camper', 'reading', '14.2 volts'),
      e('ice-cream van', 'decided', 'new signwriting', 0, 26_000),
      e('ice-cream van', 'decided', 'in cream'),
      e('rally car', 'fitted', 'gearbox', 110),
    ],
  },
  {
    name: 'newest: British, after lunch, two cars',
    text: "After lunch. The camper, I stripped the sink unit out, an hour, and the floor beneath is sound, thank goodness. The tap's dripping, 14 and half an hour, nice. Ordered the tap from Tern & Sons, 13.20. The milk float, Joss is halfway through the cab floor, four hours so far, and it should be done Friday.",
    entries: [
      e('camper', 'did', 'sink unit', 60),
      e('camper', 'found', "tap's dripping", 30, 1400),
      e('camper', 'ordered', 'Ordered the tap', 0, 1320),
      e('milk float', 'hours', 'cab floor', 240),
    ],
  },
  {
    name: 'newest: American, three cars, money and a decision',
    text: "Hugh called about the estate. He approved the rust repair, 340 and ten hours, but he doesn't want the undercoat. I ordered the sheet metal, 78.20, from Tern & Sons. On the microcar, the upholsterer sent his bill, 150. And I bought a tube of sealer for the drophead, 9.",
    entries: [
      e('estate', 'decided', 'rust repair', 600, 34_000),
      e('estate', 'ordered', 'sheet metal', 0, 7820),
      e('microcar', 'spent', 'his bill', 0, 15_000),
      e('drophead', 'spent', 'tube of sealer', 0, 900),
    ],
  },
  {
    name: 'newest: no stops, Scottish, three cars',
    text: 'right the hearse I welded the bracket back on half an hour and painted it then the rally car clutch slave is leaking 41 and an hour must ordered it already 38.50 from Cobb Springs due friday and over to the float the speedo works again forty minutes it was the cable end',
    entries: [
      e('hearse', 'did', 'bracket', 30),
      e('hearse', 'did', 'painted it'),
      e('rally car', 'found', 'clutch slave', 60, 4100),
      e('rally car', 'ordered', 'ordered it already', 0, 3850, { due: '2026-03-13' }),
      e('milk float', 'did', 'speedo', 40),
    ],
  },
  {
    name: 'newest: British, a bad Friday, three cars',
    text: "Nothing has gone right. The drophead's new windscreen arrived cracked, so it's gone back, and that's another ten days. I've told Ruan. The estate: dropped a spanner on the wing, my fault, half an hour to flat it and paint it. The van: took the gearbox out, three hours, and the release bearing is in bits, 29 and twenty minutes, must. Ordered one from Cobb Springs, 27.80.",
    entries: [
      e('drophead', 'arrived', 'windscreen'),
      e('drophead', 'told', 'told Ruan'),
      e('estate', 'did', 'spanner', 30),
      e('ice-cream van', 'did', 'gearbox out', 180),
      e('ice-cream van', 'found', 'release bearing', 20, 2900),
      e('ice-cream van', 'ordered', 'Ordered one', 0, 2780),
    ],
  },
];
