import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** As `lastNarrations.ts`, a batch later still. */
export const COLDEST_NARRATIONS: Narration[] = [
  {
    name: 'coldest: British, three cars, Wednesday',
    text: "Wednesday. Hearse first. The tail door glass is bonded in, two hours, leave it alone till tomorrow. One of the hinge bolts was stripped, 4 and a quarter of an hour, should. Microcar. Fitted the new door cards, an hour and ten minutes, and stuck the kick plates on, twenty minutes. Rally car. Ordered the gearbox mounts, 37.50, from Cobb Springs, due tomorrow.",
    entries: [
      e('hearse', 'fitted', 'tail door glass', 120),
      e('hearse', 'found', 'hinge bolts', 15, 400),
      e('microcar', 'fitted', 'door cards', 70),
      e('microcar', 'fitted', 'kick plates', 20),
      e('rally car', 'ordered', 'gearbox mounts', 0, 3750, { due: '2026-03-12' }),
    ],
  },
  {
    name: 'coldest: no stops, British, four cars, at the door',
    text: 'starting with the van the hatch is painted two hours and it wants flatting tomorrow the estate I cleaned the carburettor fifty minutes and found the float punctured 14 and half an hour must the camper we are waiting on the new seal from Tern & Sons and finally the hearse Dex came in and paid his second bill and he asked about the handles I told him they are at the platers',
    entries: [
      e('ice-cream van', 'did', 'hatch is painted', 120),
      e('estate', 'did', 'carburettor', 50),
      e('estate', 'found', 'float punctured', 30, 1400),
      e('camper', 'waiting', 'new seal'),
      e('hearse', 'asked', 'handles'),
      e('hearse', 'told', 'at the platers'),
    ],
  },
  {
    name: 'coldest: American, two cars, detail',
    text: "Rally car. I set the valve lash, forty-five minutes, intake 10 thou and exhaust 12. The timing chain has a quarter inch of slack, so that's a new chain and tensioner, 88 and three hours, must. Ilse okayed it by text. Ordered the kit from Cobb Springs, 84.95, due Monday. Camper. The awning arm is bent, straightened it, an hour. Spent 6.25 on pop rivets.",
    entries: [
      e('rally car', 'did', 'valve lash', 45, 0, { measures: ['10 thou'] }),
      e('rally car', 'found', 'timing chain', 180, 8800),
      e('rally car', 'decided', 'okayed it'),
      e('rally car', 'ordered', 'the kit', 0, 8495, { due: '2026-03-16' }),
      e('camper', 'did', 'straightened it', 60),
      e('camper', 'spent', 'pop rivets', 0, 625),
    ],
  },
  {
    name: 'coldest: Australian, four cars, no stops',
    text: "righto the drophead put the hood frame back on an hour and a half still a bit tight on the left the milk float changed both front wheel bearings three hours and the old ones were rooted and the estate the bloke from Tern & Sons dropped the door seals off and I fitted the two front ones forty minutes and the hearse I ordered a fuel sender 29.50 from Skerry Electrics",
    entries: [
      e('drophead', 'fitted', 'hood frame', 90),
      e('milk float', 'did', 'wheel bearings', 180),
      e('estate', 'arrived', 'door seals'),
      e('estate', 'fitted', 'two front ones', 40),
      e('hearse', 'ordered', 'fuel sender', 0, 2950),
    ],
  },
  {
    name: 'coldest: British, five cars, after a holiday',
    text: "First day back. Ice-cream van: Joss fixed the chimes while I was away, an hour. Rally car: its new wheels have come, 412 for the set. Drophead: no change. Estate: the roof canvas has shrunk at the back corner, 30 and two hours, should. Camper: rang the gas fitter, he's coming Tuesday. Milk float: I tested the cells and the lowest is 3.18 volts.",
    entries: [
      e('ice-cream van', 'did', 'chimes', 60),
      e('rally car', 'arrived', 'new wheels', 0, 41_200),
      e('estate', 'found', 'roof canvas', 120, 3000),
      e('camper', 'told', 'gas fitter'),
      e('milk float', 'reading', '3.18 volts'),
    ],
  },
  {
    name: 'coldest: British, one car, a long job',
    text: "I've had the hearse on the lift since Monday. Monday I dropped the tank, two hours. Tuesday I cut out the rot behind it, four hours. Today I made the patch, an hour and a half, and welded it in, two hours. The tank itself is pinholed along the seam, so that's 95 and an hour, must. Dex says get a new one. It's ordered, Tern & Sons, 88.40, ten days.",
    entries: [
      e('hearse', 'did', 'dropped the tank', 120),
      e('hearse', 'did', 'cut out the rot', 240),
      e('hearse', 'did', 'made the patch', 90),
      e('hearse', 'did', 'welded it in', 120),
      e('hearse', 'found', 'pinholed along the seam', 60, 9500),
      e('hearse', 'decided', 'get a new one'),
      e('hearse', 'ordered', 'ordered, Tern', 0, 8840),
    ],
  },
  {
    name: 'coldest: no stops, American, three cars',
    text: 'hey so the microcar is back together took me two hours and I road tested it twenty minutes it pulls left a little the drophead I took the seats out thirty minutes and the floor pan is solid and the van I replaced the freezer thermostat an hour and it is holding at minus 18 degrees and Marta wants the old one back',
    entries: [
      e('microcar', 'did', 'back together', 120),
      e('microcar', 'did', 'road tested it', 20),
      e('drophead', 'did', 'seats out', 30),
      e('ice-cream van', 'did', 'freezer thermostat', 60),
      e('ice-cream van', 'reading', 'minus 18', 0, 0, { measures: ['-18 deg'] }),
      e('ice-cream van', 'decided', 'old one back'),
    ],
  },
  {
    name: 'coldest: British, three cars, the electrician',
    text: "Electrics round. On the camper I ran the cables to the leisure battery, two and a half hours. Fuse was missing altogether, 5 and ten minutes, safety. On the float the horn relay's burnt out, so I changed it, a quarter of an hour. On the estate I traced the short to the tailgate, an hour, and the loom's chafed through at the hinge, 18 and an hour and a half, must. Bought a reel of cable, 26.",
    entries: [
      e('camper', 'did', 'leisure battery', 150),
      e('camper', 'found', 'Fuse was missing', 10, 500),
      e('milk float', 'did', 'changed it', 15),
      e('estate', 'did', 'traced the short', 60),
      e('estate', 'found', 'chafed through', 90, 1800),
      e('estate', 'spent', 'reel of cable', 0, 2600),
    ],
  },
  {
    name: 'coldest: British, two cars, about customers',
    text: "Ruan phoned about the drophead, he'd like the wheels in silver. I told him that's another 60. Hugh hasn't decided on the estate's seats, so nothing more there until he does. I fitted the estate's number plates anyway, ten minutes. The drophead's gear knob came in the post.",
    entries: [
      e('drophead', 'decided', 'wheels in silver'),
      e('drophead', 'told', 'told him'),
      e('estate', 'waiting', 'seats'),
      e('estate', 'fitted', 'number plates', 10),
      e('drophead', 'arrived', 'gear knob'),
    ],
  },
  {
    name: 'coldest: American, four cars, brisk list',
    text: 'Hearse, block sanded the quarters, two hours. Rally car, harness bar installed, an hour and fifteen minutes. Microcar, left caliper is sticking, 40 and an hour, must. Estate, waiting for Hugh to pick a color. Bought sandpaper for the hearse, 12.60. Tomorrow the rally car gets its seats.',
    entries: [
      e('hearse', 'did', 'block sanded', 120),
      e('rally car', 'fitted', 'harness bar', 75),
      e('microcar', 'found', 'caliper', 60, 4000),
      e('estate', 'waiting', 'Hugh to pick'),
      e('hearse', 'spent', 'sandpaper', 0, 1260),
      e('rally car', 'next', 'gets its seats'),
    ],
  },
  {
    name: 'coldest: no stops, British, five cars, late',
    text: 'late round hearse is done for today an hour on the rollers microcar needs a new battery 65 and ten minutes must estate got the first coat of stain on two hours float the tail lift works again forty minutes drophead Ruan agreed 85 for the mirror and I ordered it from Tern & Sons 79 due monday',
    entries: [
      e('hearse', 'hours', 'rollers', 60),
      e('microcar', 'found', 'new battery', 10, 6500),
      e('estate', 'did', 'coat of stain', 120),
      e('milk float', 'did', 'tail lift', 40),
      e('drophead', 'decided', 'mirror', 0, 8500),
      e('drophead', 'ordered', 'ordered it', 0, 7900, { due: '2026-03-16' }),
    ],
  },
  {
    name: 'coldest: British, body shop, three cars',
    text: "Panel work. Rally car: beat out the rear arch, an hour and a half, and filled it, half an hour. The sill end is rotten under the filler, 55 and four hours, must. Drophead: door gap is 3.5 millimetres at the top and 6 at the bottom, so packed the hinge, half an hour. Microcar: sent the bonnet to the blaster. Joss swept the booth.",
    entries: [
      e('rally car', 'did', 'beat out', 90),
      e('rally car', 'did', 'filled it', 30),
      e('rally car', 'found', 'sill end', 240, 5500),
      e('drophead', 'reading', '3.5 millimetres'),
      e('drophead', 'did', 'packed the hinge', 30),
      e('microcar', 'moved', 'bonnet to the blaster'),
    ],
  },
  {
    name: 'coldest: Irish, two cars, easy going',
    text: "The estate, God love it. I had the heater box out, two hours, and it was full of leaves. Matrix is leaking so, 58 and an hour, should. I rang Hugh and he's happy out, do it. The float then. Fitted the mirrors, half an hour, and bought a bulb, 1.80. She's ready for collection bar the wash.",
    entries: [
      e('estate', 'did', 'heater box', 120),
      e('estate', 'found', 'Matrix is leaking', 60, 5800),
      e('estate', 'decided', 'do it'),
      e('milk float', 'fitted', 'mirrors', 30),
      e('milk float', 'spent', 'bulb', 0, 180),
    ],
  },
  {
    name: 'coldest: no stops, Australian, two cars',
    text: "camper mate the water tank is strapped in an hour and the pump hose was perished so I cut a new one ten minutes ordered clips from Tern & Sons 7.30 and the drophead the trimmer rang he's got the hood ready Thursday so I'll clean the frame tomorrow",
    entries: [
      e('camper', 'fitted', 'water tank', 60),
      e('camper', 'did', 'cut a new one', 10),
      e('camper', 'ordered', 'clips', 0, 730),
      e('drophead', 'next', 'clean the frame'),
    ],
  },
];
