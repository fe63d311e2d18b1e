import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** As `coldestNarrations.ts`, a batch later still. */
export const FINAL_NARRATIONS: Narration[] = [
  {
    name: 'final: British, three cars, dry and tidy',
    text: 'The camper. Refitted the roof vent, an hour, and sealed round it, a quarter of an hour. Found the wiring behind it taped up, 9 and an hour, should. The hearse. Flatted the bonnet, two hours. Ordered three litres of lacquer from Tern & Sons, 57.60, due Friday. The drophead. Waiting for Ruan to bring the badge.',
    entries: [
      e('camper', 'fitted', 'roof vent', 60),
      e('camper', 'did', 'sealed round it', 15),
      e('camper', 'found', 'wiring behind it', 60, 900),
      e('hearse', 'did', 'bonnet', 120),
      e('hearse', 'ordered', 'lacquer', 0, 5760, { due: '2026-03-13' }),
      e('drophead', 'waiting', 'Ruan to bring'),
    ],
  },
  {
    name: 'final: no stops, American, three cars',
    text: 'starting out with the estate I rebuilt the window regulator an hour and twenty minutes and it rolls up fine then the milk float the parking brake cable is frayed 29 and forty minutes must I ordered one from Cobb Springs 26.80 due Tuesday and on to the hearse we shot the second coat of black three hours and it looks deep',
    entries: [
      e('estate', 'did', 'window regulator', 80),
      e('milk float', 'found', 'cable is frayed', 40, 2900),
      e('milk float', 'ordered', 'Cobb Springs', 0, 2680, { due: '2026-03-17' }),
      e('hearse', 'did', 'second coat', 180),
    ],
  },
  {
    name: 'final: Australian, two cars, a yarn',
    text: "So the rally car, right, it comes up the drive running on three. Pulled the plugs, ten minutes, number two's fouled. Swapped the lead, 15 bucks worth, no sorry, don't write that. Put new plugs in, ten minutes. Still missing. Compression on two is 90 psi. That's a head off, 60 and six hours, must. Rang Ilse. Drophead: wired the boot lamp, half an hour.",
    entries: [
      e('rally car', 'did', 'Pulled the plugs', 10),
      e('rally car', 'fitted', 'new plugs in', 10),
      e('rally car', 'reading', '90 psi', 0, 0, { measures: ['90 psi'] }),
      e('rally car', 'found', 'head off', 360, 6000),
      e('rally car', 'told', 'Rang Ilse'),
      e('drophead', 'did', 'boot lamp', 30),
    ],
  },
  {
    name: 'final: British, four cars, arrivals and waits',
    text: "The drophead's seats arrived from the trimmer this morning. The van is still waiting for its compressor, that's two weeks. The microcar bumper came back from the platers, 120 to pay. The rally car's on hold until the engine builder rings. I ordered the van's belt as well while I was on, 14.30 from Skerry Electrics.",
    entries: [
      e('drophead', 'arrived', 'seats arrived'),
      e('ice-cream van', 'waiting', 'compressor'),
      e('microcar', 'arrived', 'bumper came back', 0, 12_000),
      e('rally car', 'waiting', 'engine builder'),
      e('ice-cream van', 'ordered', 'belt', 0, 1430),
    ],
  },
  {
    name: 'final: no stops, British, four cars, head under a bonnet',
    text: 'float motor mounts tightened ten minutes and checked the oil in the axle that was fine camper I cut the worktop two hours and oiled it twenty minutes then over to the van found the gas strut weak 34 and a quarter of an hour nice and the hearse headlamps are in and aimed an hour and a half',
    entries: [
      e('milk float', 'did', 'motor mounts', 10),
      e('camper', 'did', 'worktop', 120),
      e('camper', 'did', 'oiled it', 20),
      e('ice-cream van', 'found', 'gas strut', 15, 3400),
      e('hearse', 'fitted', 'headlamps', 90),
    ],
  },
  {
    name: 'final: American, three cars, with decisions',
    text: "Dex called me back. He says no to the sound system and yes to the extra lamp, 75 and two hours. On the hearse I also got the side rails bolted down, an hour. Ice-cream van, Marta picked the strawberry pink. Estate, I showed Hugh the rust in the A-post, he wants it done, 130 and seven hours. I'll start cutting Thursday.",
    entries: [
      e('hearse', 'decided', 'sound system', 120, 7500),
      e('hearse', 'fitted', 'side rails', 60),
      e('ice-cream van', 'decided', 'strawberry pink'),
      e('estate', 'decided', 'he wants it done', 420, 13_000),
      e('estate', 'next', 'start cutting'),
    ],
  },
  {
    name: 'final: British, one car, an engine goes back',
    text: 'Rally car, the engine goes back. Joss and I lowered it in, an hour and a half. Connected the loom, forty minutes. The bellhousing bolt holes were full of muck, ran a tap through them, ten minutes. Torqued the mounts to 45 lb ft. Filled it with oil, 4.5 litres. Bought a new oil filter, 8.95. First start tomorrow.',
    entries: [
      e('rally car', 'did', 'lowered it in', 90),
      e('rally car', 'did', 'loom', 40),
      e('rally car', 'did', 'tap through them', 10),
      e('rally car', 'did', 'Torqued the mounts', 0, 0, { measures: ['45 lb-ft'] }),
      e('rally car', 'did', 'Filled it with oil', 0, 0, { measures: ['4.5 l'] }),
      e('rally car', 'spent', 'oil filter', 0, 895),
    ],
  },
  {
    name: 'final: no stops, Scottish, three cars',
    text: "aye so the estate the back bumper's on half an hour and I had the exhaust off it is blowing at the joint 12 and an hour should then the drophead the wee window is in two hours and Ruan was in he is very pleased and the microcar we still need the speedo cable from Skerry Electrics",
    entries: [
      e('estate', 'fitted', "bumper's on", 30),
      e('estate', 'found', 'blowing at the joint', 60, 1200),
      e('drophead', 'fitted', 'wee window', 120),
      e('microcar', 'waiting', 'speedo cable'),
    ],
  },
  {
    name: 'final: British, five cars, Friday money',
    text: 'Friday money. Rally car, paid the machine shop 285. Hearse, 41.20 on abrasives. Camper, the timber bill was 96.40. Microcar, Joss put in five hours this week. Estate, invoice from the trimmer, 310.',
    entries: [
      e('rally car', 'spent', 'machine shop', 0, 28_500),
      e('hearse', 'spent', 'abrasives', 0, 4120),
      e('camper', 'spent', 'timber bill', 0, 9640),
      e('microcar', 'hours', 'five hours', 300),
      e('estate', 'spent', 'trimmer', 0, 31_000),
    ],
  },
  {
    name: 'final: American, two cars, suspension',
    text: "The microcar's on lift 1. Removed both front dampers, an hour. The left one leaks, 62 the pair and an hour to fit, must. Ride height is 14.5 inches left and 14.1 right. Ordered the dampers from Cobb Springs, 58, due Thursday. The estate, greased every fitting, half an hour, and topped up the diff, ten minutes.",
    entries: [
      e('microcar', 'moved', 'on lift 1'),
      e('microcar', 'did', 'both front dampers', 60),
      e('microcar', 'found', 'left one leaks', 60, 6200),
      e('microcar', 'reading', '14.5 inches', 0, 0, { measures: ['14.5 in'] }),
      e('microcar', 'ordered', 'Ordered the dampers', 0, 5800, { due: '2026-03-12' }),
      e('estate', 'did', 'greased every fitting', 30),
      e('estate', 'did', 'topped up the diff', 10),
    ],
  },
  {
    name: 'final: British, a quiet round, four cars',
    text: "A quiet one. I sorted the hearse's door shut, forty minutes, with a bit of packing. The float wants a new tyre, 64 and a quarter of an hour, should. I made a start on the camper's wiring, three hours, mostly pulling out the old. And the van's counter hinge squeaks, oiled it, five minutes. Drophead is away at the painter.",
    entries: [
      e('hearse', 'did', 'door shut', 40),
      e('milk float', 'found', 'new tyre', 15, 6400),
      e('camper', 'did', 'wiring', 180),
      e('ice-cream van', 'did', 'oiled it', 5),
    ],
  },
  {
    name: 'final: no stops, Australian, four cars',
    text: "now then the hearse I vacuumed her out half an hour she goes Friday the van the new hatch seal is on an hour it's a beauty the rally car found a stone in the clutch fork no charge for that and the camper ordered a stove from Tern & Sons 178 it will be here next Monday",
    entries: [
      e('hearse', 'did', 'vacuumed her out', 30),
      e('ice-cream van', 'fitted', 'hatch seal', 60),
      e('rally car', 'found', 'stone in the clutch fork'),
      e('camper', 'ordered', 'stove', 0, 17_800, { due: '2026-03-16' }),
    ],
  },
];
