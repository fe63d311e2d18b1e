import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** As `nextNarrations.ts`, a batch later still. */
export const AFTER_NARRATIONS: Narration[] = [
  {
    name: 'after: British, four cars, Monday walk',
    text: "Monday walk. The ice-cream van came in with a dead battery again, so I put it on charge and it took eleven hours. I don't trust it. New one's 84 and half an hour, should. Marta hasn't said. The estate has its roof on at last, Joss and me, five hours. Looks lovely. Drophead next. I stripped the offside door because the window rattles, an hour, and the bottom channel's rusted away, 26 and an hour and a half, should. Then the microcar: engine mount bolts came from Cobb Springs, fitted them, half an hour.",
    entries: [
      e('ice-cream van', 'found', "New one's 84", 30, 8400),
      e('estate', 'fitted', 'roof on', 300),
      e('drophead', 'did', 'offside door', 60),
      e('drophead', 'found', 'bottom channel', 90, 2600),
      e('microcar', 'arrived', 'engine mount bolts'),
      e('microcar', 'fitted', 'fitted them', 30),
    ],
  },
  {
    name: 'after: no stops, American, three cars',
    text: "okay rally car is first I installed the new clutch cable and adjusted it forty minutes test drove it twenty minutes it's shifting good the left axle boot is torn thirty two and an hour should then we go to the hearse the side panels got their second coat of primer three hours and they need to sit till Friday the camper I called the guy about the fridge he can't get one before April so I told the owner and she's okay with waiting",
    entries: [
      e('rally car', 'fitted', 'clutch cable', 40),
      e('rally car', 'did', 'test drove', 20),
      e('rally car', 'found', 'axle boot', 60, 3200),
      e('hearse', 'did', 'second coat of primer', 180),
      e('camper', 'told', 'fridge'),
      e('camper', 'told', 'told the owner'),
    ],
  },
  {
    name: 'after: British, three cars, the boss with a cold',
    text: "Excuse the voice. The float: Skerry delivered the new charger this morning, 365 on the invoice, and it's wired in, two and a half hours. It pulls 14 amps. The hearse: I need Dex to pick the carpet, I've asked him twice. The camper: put the new step on, 45 minutes, and it's the wrong side so I took it off again. That's nobody's money but mine.",
    entries: [
      e('milk float', 'arrived', 'new charger', 0, 36_500),
      e('milk float', 'did', 'wired in', 150),
      e('milk float', 'reading', '14 amps', 0, 0, { measures: ['14 A'] }),
      e('hearse', 'asked', 'asked him twice'),
      e('camper', 'fitted', 'new step', 45),
      e('camper', 'did', 'took it off again'),
    ],
  },
  {
    name: 'after: Australian, two cars, short',
    text: "Estate. Rear diff's whining, pulled the cover, an hour, and the crown wheel's chipped two teeth. That's gonna be 240 and six hours, must. I've rung Hugh, no answer. Milk float. Rego's due in May, remind me. Chucked new wipers on her, ten minutes, 19 bucks.",
    entries: [
      e('estate', 'did', 'pulled the cover', 60),
      e('estate', 'found', 'crown wheel', 360, 24_000),
      e('estate', 'told', 'rung Hugh'),
      e('milk float', 'fitted', 'wipers', 10),
    ],
  },
  {
    name: 'after: British, five cars, a technician reports',
    text: "Joss here. I did the hearse tailgate struts first thing, an hour, they hold it up now. Microcar I set the tappets, 6 thou inlet and 8 exhaust, 50 minutes. Drophead I'm stuck on, I haven't got the right taps, so ordered a set, 31.20, Friday they said. Helped with the van's hatch for half an hour. And I had a look at the camper's gas pipe, it's been clamped with a jubilee clip which is not legal, needs redoing, 35 and two hours, safety.",
    entries: [
      e('hearse', 'did', 'tailgate struts', 60),
      e('microcar', 'did', 'tappets', 50, 0, { measures: ['6 thou'] }),
      e('drophead', 'ordered', 'a set', 0, 3120, { due: '2026-03-13' }),
      e('ice-cream van', 'did', 'hatch', 30),
      e('camper', 'found', 'gas pipe', 120, 3500),
    ],
  },
  {
    name: 'after: no stops, British, two cars, a long breath',
    text: 'so this is the estate again and we took the front seats out which took half an hour because two of the bolts had rusted in and then the carpet came up with them and underneath it the floor on the passenger side is like lace so I have told Hugh and sent him a photograph and he says go ahead so that is a hundred and ten and nine hours and I have ordered the floor panel from Tern & Sons eighty eight pounds due next Tuesday and the drophead I only moved into the booth',
    entries: [
      e('estate', 'did', 'front seats out', 30),
      e('estate', 'found', 'like lace'),
      e('estate', 'told', 'told Hugh'),
      e('estate', 'decided', 'go ahead', 540, 11_000),
      e('estate', 'ordered', 'floor panel', 0, 8800, { due: '2026-03-17' }),
      e('drophead', 'moved', 'booth'),
    ],
  },
  {
    name: 'after: American, four cars, Friday wrap',
    text: "Friday wrap-up. Drophead is at the upholsterer until the 20th. Hearse, we finished block sanding, seven hours this week, it goes in the booth Monday. Microcar got an alignment, an hour, toe was a quarter inch out. It tracks straight now. Rally car: Ilse okayed the limited slip, 520 plus eight hours. I ordered it. Cobb Springs says three weeks.",
    entries: [
      e('hearse', 'did', 'block sanding', 420),
      e('hearse', 'next', 'goes in the booth Monday'),
      e('microcar', 'did', 'alignment', 60),
      e('rally car', 'decided', 'limited slip', 480, 52_000),
      e('rally car', 'ordered', 'ordered it'),
    ],
  },
  {
    name: 'after: British, money and hours, three cars',
    text: "The van. Receipts: 14.99 for screws, 8.50 for silicone. The estate. Joss six and a half hours Monday, five Tuesday, on the roof. I paid the glazier 130 cash. The rally car. That exhaust cost us 310 in the end, not 280. Dyno's booked for the 20th, 95 pounds.",
    entries: [
      e('ice-cream van', 'spent', 'screws', 0, 1499),
      e('estate', 'hours', 'six and a half hours', 690),
      e('estate', 'spent', 'glazier', 0, 13_000),
      e('rally car', 'spent', 'exhaust cost us', 0, 31_000),
    ],
  },
  {
    name: 'after: no stops, Australian, four cars, windy',
    text: "righto the drophead mate the top frame is in and it folds took two hours to get it right and I greased the pins after then the hearse I pulled the dash two hours wiring behind it is a dog's breakfast reckon 60 and five hours safety the camper is waiting on a new skylight been on order since the twentieth of February and the float had its brakes done three hours new shoes all round",
    entries: [
      e('drophead', 'fitted', 'top frame', 120),
      e('drophead', 'did', 'greased the pins'),
      e('hearse', 'did', 'dash', 120),
      e('hearse', 'found', "dog's breakfast", 300, 6000),
      e('camper', 'waiting', 'skylight'),
      e('milk float', 'did', 'brakes done', 180),
    ],
  },
  {
    name: 'after: British, two customers came by',
    text: "Two visitors today. Ilse came to see the rally car, she loves the colour, but she wants the number roundels smaller. I said no charge. She also asked when she can drive it, I told her the second week of April. Then Ruan about the drophead. He's changed his mind about the seats, brown not black, so I rang the trimmer and they hadn't cut it yet, lucky. The hearse got nothing done to it, too many visitors.",
    entries: [
      e('rally car', 'decided', 'roundels smaller'),
      e('rally car', 'asked', 'when she can drive it'),
      e('rally car', 'told', 'second week of April'),
      e('drophead', 'decided', 'changed his mind'),
      e('drophead', 'told', 'rang the trimmer'),
    ],
  },
  {
    name: 'after: American, one car, brakes by the book',
    text: "Milk float brakes. Drums measure 9.06 inches left and 9.08 right, limit is 9.09. Shoes at an eighth of an inch, so they're getting replaced, 48 and two hours, must. Wheel cylinders dry. Bled the system, thirty minutes. Adjusted the park brake, ten clicks down to five, fifteen minutes. Torqued the wheels to 80 foot-pounds. Then I washed up.",
    entries: [
      e('milk float', 'reading', '9.06 inches', 0, 0, { measures: ['9.06 in'] }),
      e('milk float', 'reading', 'eighth of an inch', 0, 0, { measures: ['0.125 in'] }),
      e('milk float', 'found', 'getting replaced', 120, 4800),
      e('milk float', 'did', 'Bled the system', 30),
      e('milk float', 'did', 'park brake', 15),
      e('milk float', 'did', 'Torqued the wheels', 0, 0, { measures: ['80 lb-ft'] }),
    ],
  },
  {
    name: 'after: British, last thing at night, three cars',
    text: "Last thing. Camper: I've left the heater on low for the resin. Built the bunk frame, four hours, and there's enough ply left for the locker. Hearse: found out why the interior light drains the battery, it's the door switch, 7 and twenty minutes, nice. Microcar: the seat came back from the trimmer and it's the wrong stitch, they're redoing it free. Bought milk, 1.20, not for a car.",
    entries: [
      e('camper', 'did', 'bunk frame', 240),
      e('hearse', 'found', 'door switch', 20, 700),
      e('microcar', 'arrived', 'seat came back'),
    ],
  },
];
