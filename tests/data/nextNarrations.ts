import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/** As `laterNarrations.ts`, a batch later: measured once, then looked at, and the rules made general for them. */
export const NEXT_NARRATIONS: Narration[] = [
  {
    name: 'next: British, four cars, Tuesday gone',
    text: "Bit of a slow one. On the estate I let in the new corner, an hour and forty minutes, and it's ready for filler. The tailgate lock barrel is seized solid, so that's a new one, 38 and three quarters of an hour, should. Drophead: Ruan popped in with the steering wheel, it's in the office. He'd like the horn push in black. Milk float: bled the brakes again, half an hour, still spongy. I reckon it's the servo hose, 16 and half an hour, must. Camper: gas man's coming on the 19th.",
    entries: [
      e('estate', 'did', 'new corner', 100),
      e('estate', 'found', 'lock barrel', 45, 3800),
      e('drophead', 'arrived', 'steering wheel'),
      e('drophead', 'decided', 'horn push in black'),
      e('milk float', 'did', 'bled the brakes', 30),
      e('milk float', 'found', 'servo hose', 30, 1600),
    ],
  },
  {
    name: 'next: no stops, British, three cars, tired',
    text: 'right hearse coffin deck is sanded and oiled that took four hours and it wants a second coat next week then I put the rollers back half an hour one of them is cracked 22 and a quarter of an hour nice over to the rally car gearbox casing came back from the welder this morning nice job he charged 65 for it and the drophead I am still short of one door handle chased Tern & Sons again they say Friday',
    entries: [
      e('hearse', 'did', 'sanded and oiled', 240),
      e('hearse', 'fitted', 'rollers back', 30),
      e('hearse', 'found', 'cracked', 15, 2200),
      e('rally car', 'arrived', 'gearbox casing'),
      e('rally car', 'spent', '65 for it', 0, 6500),
      e('drophead', 'waiting', 'door handle'),
    ],
  },
  {
    name: 'next: American, two cars, plain talker',
    text: "Milk float. Swapped the solenoid, 40 minutes, works fine. Battery tray's got a crack in one corner, 30 and an hour, should fix it while it's out. I ordered the terminals from Skerry, 12.99. Estate. Hugh emailed, he wants the tow bar left off. That saves him 85. I got the rear glass in with Joss, two hours between us. It leaks at the bottom left corner, so we're redoing that tomorrow.",
    entries: [
      e('milk float', 'did', 'solenoid', 40),
      e('milk float', 'found', 'crack in one corner', 60, 3000),
      e('milk float', 'ordered', 'terminals', 0, 1299),
      e('estate', 'decided', 'tow bar left off'),
      e('estate', 'fitted', 'rear glass', 120),
      e('estate', 'found', 'leaks at the bottom'),
    ],
  },
  {
    name: 'next: Australian, four cars, no stops',
    text: "yeah so the camper got the pop top canvas on two and a half hours fits like a glove then the hearse Dex wants to know if we can do a dimmer on the inside lights told him yeah about 40 bucks and an hour rally car nothing till the pistons land which is Thursday week and the microcar I gave the clutch a bleed twenty minutes slave's leaking but so that's another 27 and forty minutes must",
    entries: [
      e('camper', 'fitted', 'pop top canvas', 150),
      e('hearse', 'asked', 'dimmer'),
      e('hearse', 'told', 'told him'),
      e('rally car', 'waiting', 'pistons'),
      e('microcar', 'did', 'clutch a bleed', 20),
      e('microcar', 'found', "slave's leaking", 40, 2700),
    ],
  },
  {
    name: 'next: British, one car, a day by the hour',
    text: "Drophead all day. Eight till ten I was fitting the door cards, so two hours. Then the nearside window fell off its channel and I spent an hour getting it back. Glued it with the proper stuff this time. After dinner Joss gave me a hand to drop the seats in, half an hour. Three of the seat bolts were the wrong thread, ordered four from Cobb Springs, 6.40, should be here tomorrow. Rest of the afternoon, call it three hours, on the carpets.",
    entries: [
      e('drophead', 'fitted', 'door cards', 120),
      e('drophead', 'did', 'getting it back', 60),
      e('drophead', 'did', 'Glued it'),
      e('drophead', 'fitted', 'seats in', 30),
      e('drophead', 'ordered', 'four from Cobb Springs', 0, 640, { due: '2026-03-12' }),
      e('drophead', 'hours', 'on the carpets', 180),
    ],
  },
  {
    name: 'next: British, six cars, bullet points',
    text: 'Hearse: headlining glued, 3 hours. Van: Marta paid her deposit. Estate: hinge pins arrived, fitted, 1 hour. Rally car: compression 165, 170, 160, 168. Microcar: brake light switch, 11.50, ordered. Drophead: waiting on Ruan, blue or grey piping. Float: nothing.',
    entries: [
      e('hearse', 'did', 'headlining', 180),
      e('estate', 'arrived', 'hinge pins'),
      e('rally car', 'reading', '165'),
      e('microcar', 'ordered', 'brake light switch', 0, 1150),
      e('drophead', 'waiting', 'piping'),
    ],
  },
  {
    name: 'next: American, three cars, paint shop',
    text: "OK the hearse is masked and ready to shoot, took me three hours. Drophead fenders, I cut and buffed them, four and a half hours, there's one tiny fish eye on the right one I can live with. Used two bottles of compound, 46. The microcar hood has a chip from the yard, needs a spot repair, 20 and an hour and a half, should. Booth filter light is on, somebody order filters.",
    entries: [
      e('hearse', 'did', 'masked', 180),
      e('drophead', 'did', 'cut and buffed', 270),
      e('drophead', 'spent', 'compound', 0, 4600),
      e('microcar', 'found', 'chip from the yard', 90, 2000),
    ],
  },
  {
    name: 'next: no stops, British, four cars, wiring',
    text: 'camper first I have run the cable for the solar panel an hour and a quarter and the controller reads 13.6 volts then the milk float traced the fault to the key switch that took an hour it is worn out ordered one 19 from Skerry Electrics ice cream van chimes work now half an hour just a loose wire and the estate number plate lamp is out again told Hugh it wants a new loom he will think about it',
    entries: [
      e('camper', 'did', 'solar panel', 75),
      e('camper', 'reading', '13.6 volts', 0, 0, { measures: ['13.6 V'] }),
      e('milk float', 'did', 'traced the fault', 60),
      e('milk float', 'found', 'worn out'),
      e('milk float', 'ordered', 'ordered one', 0, 1900),
      e('ice-cream van', 'did', 'chimes work', 30),
      e('estate', 'found', 'number plate lamp'),
      e('estate', 'told', 'told Hugh'),
    ],
  },
  {
    name: 'next: British, an older hand, two cars',
    text: "Now I've been at that rally car since half past seven. Head's off, manifold's off, two hours for the pair. There's a burnt valve in number three, I'd say 55 and four hours with the lapping in, must. Bores are clean, no ridge. I measured the head, it's 4 thou hollow in the middle, so that's a skim, they want 70 for that. The estate I only touched up, ten minutes with a brush.",
    entries: [
      e('rally car', 'did', "Head's off", 120),
      e('rally car', 'found', 'burnt valve', 240, 5500),
      e('rally car', 'reading', '4 thou'),
      e('estate', 'did', 'touched up', 10),
    ],
  },
  {
    name: 'next: Irish, three cars, chatty',
    text: "Ah now, the van. The fridge is grand, I regassed it, an hour, 45 for the gas. Marta was on to me, could she have it for the Saturday, I said we'd try. The float, I took the seat out and there's a nest in it, would you believe. Cleaned it out anyway, half an hour. The hearse, Joss has her jacked up and the springs off, three hours, two leaves broken on the nearside, 120 and three hours, must.",
    entries: [
      e('ice-cream van', 'did', 'regassed it', 60, 4500),
      e('ice-cream van', 'asked', 'for the Saturday'),
      e('milk float', 'did', 'seat out'),
      e('milk float', 'did', 'Cleaned it out', 30),
      e('hearse', 'did', 'springs off', 180),
      e('hearse', 'found', 'leaves broken', 180, 12_000),
    ],
  },
  {
    name: 'next: American, five cars, manager talk',
    text: "Status. Camper is complete except for the awning, which ships Monday. Microcar is in body, Petra's got six hours in it this week. Hearse is parked until Dex answers about the color. Ice-cream van is done, Marta picks it up Friday. Rally car, transmission is going back in tomorrow, I have the clutch kit, paid 189 for it. Drophead needs two more coats of clear and then it can go to trim.",
    entries: [
      e('microcar', 'hours', 'six hours', 360),
      e('hearse', 'waiting', 'until Dex answers'),
      e('rally car', 'next', 'going back in tomorrow'),
      e('rally car', 'spent', 'paid 189', 0, 18_900),
    ],
  },
  {
    name: 'next: no stops, Scottish, two cars',
    text: 'the milk float I had the controller lid off the day and it is full of water so dried it out an hour and sealed it wi silicone nae charge for that but the connector is green that is 14 and half an hour must the camper I hung the door twice it still will not shut two hours the frame is out at the top by 6 mm so I am going tae pack the hinge the morn',
    entries: [
      e('milk float', 'found', 'full of water'),
      e('milk float', 'did', 'dried it out', 60),
      e('milk float', 'did', 'silicone'),
      e('milk float', 'found', 'connector is green', 30, 1400),
      e('camper', 'fitted', 'hung the door', 120),
      e('camper', 'reading', '6 mm', 0, 0, { measures: ['6 mm'] }),
    ],
  },
  {
    name: 'next: British, three cars, deliveries',
    text: "Big delivery day. Tern & Sons dropped off the estate's canvas, it's the right green this time. The van's window winders came too, but they've sent two lefts. I rang them, they'll swap one by Monday. Cobb Springs delivered the rally car's rear springs, 196 on the note. I've put them on the shelf. Nothing for the float, that's ten days now.",
    entries: [
      e('estate', 'arrived', 'canvas'),
      e('ice-cream van', 'arrived', 'window winders'),
      e('ice-cream van', 'told', 'rang them'),
      e('rally car', 'arrived', 'rear springs', 0, 19_600),
      e('milk float', 'waiting', 'Nothing for the float'),
    ],
  },
  {
    name: 'next: British, two cars, a row with a bolt',
    text: "You would not believe this bolt. Hearse, offside trunnion, heated it, hit it, swore at it, an hour and a half, and it's still in there. I'm drilling it tomorrow. While the heat was on I freed the handbrake linkage, 20 minutes. Right, the microcar. Doors are rehung, both sides, two and a quarter hours, gaps are 4 millimetres all round. Spent 9 quid on shims.",
    entries: [
      e('hearse', 'did', 'trunnion', 90),
      e('hearse', 'next', 'drilling it'),
      e('hearse', 'did', 'handbrake linkage', 20),
      e('microcar', 'fitted', 'rehung', 135),
      e('microcar', 'spent', 'shims', 0, 900),
    ],
  },
];
