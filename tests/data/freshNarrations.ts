import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/**
 * The newest. Measured at first sight: car 83.7 %, kind 81.2 %, hours and money 86.2 %, two amounts that nobody said; then looked at, and the
 * rules made general for some of what they missed.
 */
export const FRESH_NARRATIONS: Narration[] = [
  {
    name: 'fresh: British, four cars, Tuesday before lunch',
    text: 'Tuesday, half past twelve. The camper first: gas locker resealed, an hour and a half. Found the drop vent blocked with a wasp nest, ten minutes, cleared it. On the drophead the hood irons came from Cobb Springs, all but one link. Asked them for the link. The hearse: I painted the tail door frame, two hours. The estate is waiting for Hugh to choose the hide. Ordered piping cord from Tern & Sons, 7.80.',
    entries: [
      e('camper', 'did', 'gas locker', 90),
      e('camper', 'found', 'drop vent', 10),
      e('drophead', 'arrived', 'hood irons'),
      e('drophead', 'asked', 'the link'),
      e('hearse', 'did', 'tail door frame', 120),
      e('estate', 'waiting', 'Hugh to choose'),
      e('estate', 'ordered', 'piping cord', 0, 780),
    ],
  },
  {
    name: 'fresh: no stops, British, three cars, from under a lift',
    text: 'I am under the rally car so bear with me the diff is back in two and a half hours and the prop is bolted up half an hour found the handbrake cable frayed 19 and an hour safety then the milk float I changed the nearside shoes one hour the drum is scored but it will do and the microcar Petra fitted the door check strap twenty minutes and we still need a rivet for it',
    entries: [
      e('rally car', 'fitted', 'diff is back in', 150),
      e('rally car', 'fitted', 'prop is bolted up', 30),
      e('rally car', 'found', 'handbrake cable', 60, 1900),
      e('milk float', 'did', 'nearside shoes', 60),
      e('milk float', 'found', 'drum is scored'),
      e('microcar', 'fitted', 'door check strap', 20),
      e('microcar', 'waiting', 'rivet'),
    ],
  },
  {
    name: 'fresh: American, two cars, long and slow',
    text: "All right, the hearse. Spent most of the day on her. Took out the rear side glass, an hour, scraped the channel, an hour and a half, and found rust pinholes all along the bottom. Call it 70 bucks and five hours, must. I took pictures. Called Dex, told him about it, he said go ahead. Ordered a sheet of steel from Skerry Electrics, 38. Then the drophead. Top mechanism is greased, fifteen minutes. Waiting on the bow.",
    entries: [
      e('hearse', 'did', 'rear side glass', 60),
      e('hearse', 'did', 'scraped the channel', 90),
      e('hearse', 'found', 'pinholes'),
      e('hearse', 'told', 'told him'),
      e('hearse', 'decided', 'go ahead'),
      e('hearse', 'ordered', 'sheet of steel', 0, 3800),
      e('drophead', 'did', 'mechanism is greased', 15),
      e('drophead', 'waiting', 'bow'),
    ],
  },
  {
    name: 'fresh: Australian, five cars, quick as you like',
    text: "Quick rundown. Estate, rear springs on, two hours, shackles to come. Camper, sealed the skylight, forty minutes. Ice-cream van, freezer's holding minus 19, happy days. Spent 14 on gas. Microcar, Ilse rang, wants it red after all. Float, batteries watered, half an hour, and number four reads 1.9 volts. Righto.",
    entries: [
      e('estate', 'fitted', 'rear springs', 120),
      e('estate', 'waiting', 'shackles'),
      e('camper', 'did', 'skylight', 40),
      e('ice-cream van', 'reading', 'minus 19'),
      e('ice-cream van', 'spent', 'gas', 0, 1400),
      e('microcar', 'decided', 'red'),
      e('milk float', 'did', 'batteries watered', 30),
      e('milk float', 'reading', '1.9 volts'),
    ],
  },
  {
    name: 'fresh: British, one car, a careful technician',
    text: 'This is about the drophead. I removed the hood frame and laid it on the bench, one hour. I measured the pivot holes, they are 8.4 mm where they should be 8. I think they want bushing. Found two of the four rivets loose as well, 12 and an hour and a half, should. I have ordered bushes from Cobb Springs, 22.60, due the twentieth. Next I want to strip the paint off the frame.',
    entries: [
      e('drophead', 'did', 'hood frame', 60),
      e('drophead', 'reading', '8.4 mm'),
      e('drophead', 'found', 'rivets loose', 90, 1200),
      e('drophead', 'ordered', 'bushes', 0, 2260),
      e('drophead', 'next', 'strip the paint'),
    ],
  },
  {
    name: 'fresh: no stops, American, four cars, end of shift',
    text: 'okay end of shift the camper is buttoned up I hung the curtains forty five minutes and wiped it down the rally car I swapped the plugs half an hour and it still misses so I checked the coil and it reads 4 ohms ordered a coil from Skerry Electrics 31.50 the estate Joss buffed the tailgate two hours and the hearse the casket deck rollers showed up and I put them on an hour and ten minutes that is it see you tomorrow',
    entries: [
      e('camper', 'fitted', 'curtains', 45),
      e('camper', 'did', 'wiped it down'),
      e('rally car', 'did', 'plugs', 30),
      e('rally car', 'reading', '4 ohms'),
      e('rally car', 'ordered', 'a coil from', 0, 3150),
      e('estate', 'did', 'tailgate', 120),
      e('hearse', 'arrived', 'rollers'),
      e('hearse', 'fitted', 'put them on', 70),
    ],
  },
  {
    name: 'fresh: British, the owner and the money, four cars',
    text: 'Money first. Paid Tern & Sons 118.40 for the ice-cream van, that was the counter top. For the rally car I paid 62 to the machine shop. The microcar: Ilse agreed 240 for the wiring, so that goes ahead. Told her it would be a fortnight. The estate, I asked Hugh whether he wants the old carpet back. Nothing spent on the hearse this week. And I booked an hour on it, just looking.',
    entries: [
      e('ice-cream van', 'spent', 'counter top', 0, 11_840),
      e('rally car', 'spent', 'machine shop', 0, 6200),
      e('microcar', 'decided', 'wiring', 0, 24_000),
      e('microcar', 'told', 'fortnight'),
      e('estate', 'asked', 'old carpet'),
      e('hearse', 'hours', 'booked an hour', 60),
    ],
  },
  {
    name: 'fresh: British, three cars, with the kettle on',
    text: 'Kettle is on so I will be short. Ice-cream van: Joss has the hatch lid off, thirty minutes, and he found the gas strut bracket torn, 16 and two hours, must. Camper: nothing from Tove. Milk float: the controller went to Skerry Electrics this morning. They said three weeks. Oh, and I spent 6.20 on crimp ends for it. Has anybody seen the big crimper?',
    entries: [
      e('ice-cream van', 'did', 'hatch lid', 30),
      e('ice-cream van', 'found', 'bracket torn', 120, 1600),
      e('milk float', 'moved', 'controller'),
      e('milk float', 'spent', 'crimp ends', 0, 620),
    ],
  },
  {
    name: 'fresh: American, parts day, five cars',
    text: "UPS just left, so here's what came. Drophead, the bow is here, finally. Camper, pump's here but it's the wrong one, sent it back to Tern & Sons. Rally car, brake hoses came in. Estate, no tailgate glass yet. Float, we got the fuses. I put the fuses in, ten minutes. Ordered the right pump, 47.25, due Monday.",
    entries: [
      e('drophead', 'arrived', 'bow is here'),
      e('camper', 'arrived', 'wrong one'),
      e('rally car', 'arrived', 'brake hoses'),
      e('estate', 'waiting', 'tailgate glass'),
      e('milk float', 'arrived', 'got the fuses'),
      e('milk float', 'fitted', 'put the fuses in', 10),
      e('milk float', 'ordered', 'right pump', 0, 4725),
    ],
  },
  {
    name: 'fresh: British, two customers in the workshop',
    text: 'Hugh was here. He looked at the estate and he is happy with the roof. He wants the wheels silver and not grey. I told him that is another 85. Marta came too. She asked if the ice-cream van could have a second horn. I said I would price it. While they were here I only did the estate door handles, half an hour, and the van’s number plate lamp, ten minutes.',
    entries: [
      e('estate', 'decided', 'happy with the roof'),
      e('estate', 'decided', 'wheels silver'),
      e('estate', 'told', 'another 85', 0, 8500),
      e('ice-cream van', 'asked', 'second horn'),
      e('estate', 'did', 'door handles', 30),
      e('ice-cream van', 'did', 'number plate lamp', 10),
    ],
  },
  {
    name: 'fresh: no stops, British, one car, all afternoon',
    text: 'all afternoon on the hearse again so I cut the rotten bit out of the sill one hour and I made a patch forty minutes and tacked it in twenty minutes then I found the sill behind it is thin too so that is another 30 and three hours must I stopped there and told Joss and he had a look and agreed so tomorrow we cut further back and I need more 1.2 mm sheet waiting on that',
    entries: [
      e('hearse', 'did', 'rotten bit', 60),
      e('hearse', 'did', 'made a patch', 40),
      e('hearse', 'did', 'tacked it in', 20),
      e('hearse', 'found', 'thin too', 180, 3000),
      e('hearse', 'told', 'told Joss'),
      e('hearse', 'next', 'cut further back'),
      e('hearse', 'waiting', 'waiting on that'),
    ],
  },
  {
    name: 'fresh: Australian, four cars, Friday arvo',
    text: "Friday arvo, beer's cold. Rally car went out on the trailer to the tuner. Camper: did the wheel bearings, two hours, and found the nearside hub scored, 45 and an hour, must. Hub's ordered from Cobb Springs, 39.90. Drophead: waiting on the trimmer, again. Microcar: cleaned the carby, fifty minutes, and she fires up a treat. Spent 8.50 on carb cleaner.",
    entries: [
      e('rally car', 'moved', 'tuner'),
      e('camper', 'did', 'wheel bearings', 120),
      e('camper', 'found', 'hub scored', 60, 4500),
      e('camper', 'ordered', 'ordered from', 0, 3990),
      e('drophead', 'waiting', 'trimmer'),
      e('microcar', 'did', 'carby', 50),
      e('microcar', 'spent', 'carb cleaner', 0, 850),
    ],
  },
];
