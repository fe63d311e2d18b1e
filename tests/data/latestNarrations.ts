import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** Written after the last change of the rules, measured once, and not looked at one by one. */
export const LATEST_NARRATIONS: Narration[] = [
  {
    name: 'latest: British, four cars, Thursday, tidy',
    text: 'Thursday. The drophead. Fitted the new hood frame bushes, an hour and a half. Found the main hoop bent, 65 and three hours, must. Told Ruan. The hearse. Primed the tail door, forty minutes. Waiting for the filler to harden. The estate. Ordered two door seals from Tern & Sons, 34.50, due Tuesday. The camper. Next, the table leg.',
    entries: [
      e('drophead', 'fitted', 'bushes', 90),
      e('drophead', 'found', 'main hoop', 180, 6500),
      e('drophead', 'told', 'Told Ruan'),
      e('hearse', 'did', 'tail door', 40),
      e('hearse', 'waiting', 'filler'),
      e('estate', 'ordered', 'door seals', 0, 3450),
      e('camper', 'next', 'table leg'),
    ],
  },
  {
    name: 'latest: no stops, British, three cars, walking fast',
    text: 'starting at the door the microcar painted the engine bay two hours and it looks well then the estate found the spare wheel well rotten about 80 and five hours should and spent 14.60 on rivets and over by the wall the rally car bled the brakes forty minutes pedal is firm now next the handbrake and ordered a cable from Cobb Springs 27.30 due monday',
    entries: [
      e('microcar', 'did', 'engine bay', 120),
      e('estate', 'found', 'spare wheel well', 300, 8000),
      e('estate', 'spent', 'rivets', 0, 1460),
      e('rally car', 'did', 'brakes', 40),
      e('rally car', 'next', 'handbrake'),
      e('rally car', 'ordered', 'a cable from', 0, 2730),
    ],
  },
  {
    name: 'latest: American, three cars, end of the day',
    text: "That's a wrap for today. Ice-cream van: rewired the freezer, two and a half hours. The compressor pulls 6.2 amps now. Called Marta and told her it's cold. Rally car: the cage padding showed up, installed it, an hour. Spent 11 on zip ties. Hearse: still waiting on Dex about the color. He wants to see it in daylight first.",
    entries: [
      e('ice-cream van', 'did', 'freezer', 150),
      e('ice-cream van', 'reading', '6.2 amps'),
      e('ice-cream van', 'told', "it's cold"),
      e('rally car', 'arrived', 'padding'),
      e('rally car', 'fitted', 'installed it', 60),
      e('rally car', 'spent', 'zip ties', 0, 1100),
      e('hearse', 'waiting', 'waiting on Dex'),
    ],
  },
  {
    name: 'latest: British, two cars, a long story',
    text: 'Let me tell you about the camper. I took the cooker out, half an hour, because Tove smelt gas. Found the pipe behind it chafed through, 22 and an hour, safety. I shut it off and put a label on it. Rang Tove and she said do it straight away. Ordered a pipe from Skerry Electrics, 18.40, due Friday. And while I was at it I cleaned the burners, twenty minutes. The milk float, nothing today, it is on charge.',
    entries: [
      e('camper', 'did', 'cooker out', 30),
      e('camper', 'found', 'chafed through', 60, 2200),
      e('camper', 'decided', 'do it straight away'),
      e('camper', 'ordered', 'a pipe from', 0, 1840),
      e('camper', 'did', 'burners', 20),
    ],
  },
  {
    name: 'latest: Australian, four cars, a list',
    text: "Here's the list. Drophead, seats are back from the trimmer, look terrific. Bolted them in, fifty minutes. Microcar, found a crook earth behind the dash, 5 and half an hour, should. Hearse, sanded the roof, two hours, and she's ready for primer. Estate, waiting on Tern & Sons for the hinge pins, eight days now. Spent 26.90 on sandpaper for the hearse.",
    entries: [
      e('drophead', 'arrived', 'seats are back'),
      e('drophead', 'fitted', 'Bolted them in', 50),
      e('microcar', 'found', 'crook earth', 30, 500),
      e('hearse', 'did', 'sanded the roof', 120),
      e('estate', 'waiting', 'hinge pins'),
      e('hearse', 'spent', 'sandpaper', 0, 2690),
    ],
  },
  {
    name: 'latest: no stops, American, two cars, hands full',
    text: 'hands are full so just listen the milk float I pulled the motor an hour and a half and the brushes are worn down to a quarter inch ordered new ones from Skerry Electrics 42 even they will be here wednesday and I cleaned the commutator thirty minutes the other thing is the estate Hugh stopped by he asked when it is done I told him three weeks and he was fine with that',
    entries: [
      e('milk float', 'did', 'motor', 90),
      e('milk float', 'found', 'brushes are worn'),
      e('milk float', 'ordered', 'Skerry Electrics', 0, 4200),
      e('milk float', 'did', 'commutator', 30),
      e('estate', 'asked', 'when it is done'),
      e('estate', 'told', 'three weeks'),
    ],
  },
  {
    name: 'latest: British, measuring, three cars',
    text: 'A morning of measuring. The rally car, cylinder one 158 psi, cylinder two 161 psi. The drophead, door gap at the top 5.5 mm, at the bottom 3 mm, so the hinge wants moving. The estate, tyre depth 2.1 mm on the nearside front. Told Hugh he needs tyres, he said get two. Ordered two tyres from Cobb Springs, 148, due Monday. Put the jack away, five minutes.',
    entries: [
      e('rally car', 'reading', '158 psi'),
      e('drophead', 'reading', '5.5 mm'),
      e('estate', 'reading', '2.1 mm'),
      e('estate', 'told', 'needs tyres'),
      e('estate', 'decided', 'get two'),
      e('estate', 'ordered', 'two tyres', 0, 14_800),
    ],
  },
  {
    name: 'latest: British, the apprentice, three cars',
    text: 'Joss said to say what I did. On the ice-cream van I masked the windows, an hour and twenty minutes. On the hearse I held the door while Joss hung it, half an hour. I found a crack in the hinge, he says 15 and an hour, must. Then I swept. On the microcar I fitted the ashtray, ten minutes, and lost the screw, so I bought a bag of screws, 2.40.',
    entries: [
      e('ice-cream van', 'did', 'masked the windows', 80),
      e('hearse', 'fitted', 'hung it', 30),
      e('hearse', 'found', 'crack in the hinge', 60, 1500),
      e('microcar', 'fitted', 'ashtray', 10),
      e('microcar', 'spent', 'bag of screws', 0, 240),
    ],
  },
];
