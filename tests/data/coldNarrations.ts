import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/**
 * Written after the rules were and not looked at one by one while they were changed: what they measure is what a shop gets that
 * speaks as nobody did before.
 */
export const COLD_NARRATIONS: Narration[] = [
  {
    name: 'cold: British, five cars, a tidy Monday',
    text: 'Monday round. The estate first. Stripped the front seats, two hours, and washed the runners, half an hour. Found the nearside runner bent, 28 and an hour, should. The camper. Replaced the door seal, an hour. Ordered a handle from Tern & Sons, 16.40, due Thursday. Asked Tove which curtains. The hearse. Compound and polish, three hours. Spent 9.95 on pads. Next, the rear glass. The milk float is in bay 2. Rewired the dash, two and a half hours. The drophead, still no sign of the irons from Halcyon Platers.',
    entries: [
      e('estate', 'did', 'front seats', 120),
      e('estate', 'did', 'runners, half', 30),
      e('estate', 'found', 'nearside runner', 60, 2800),
      e('camper', 'did', 'door seal', 60),
      e('camper', 'ordered', 'handle', 0, 1640),
      e('camper', 'asked', 'curtains'),
      e('hearse', 'hours', 'polish', 180),
      e('hearse', 'spent', 'pads', 0, 995),
      e('hearse', 'next', 'rear glass'),
      e('milk float', 'moved', 'bay 2'),
      e('milk float', 'did', 'dash', 150),
      e('drophead', 'waiting', 'irons'),
    ],
  },
  {
    name: 'cold: no stops, three cars, a young technician',
    text: 'hi it is me um the rally car I did the front pads an hour and they were down to nothing so I measured the discs they are 9.2 mm and found the left caliper pin stiff 6 and half an hour safety then I went on the microcar and cleaned the carb out an hour and a half and set the float and found the needle worn 11 and half an hour should ordered a needle from Cobb Springs 10.60 and last thing the hearse helped push it into the booth',
    entries: [
      e('rally car', 'did', 'front pads', 60),
      e('rally car', 'reading', '9.2 mm'),
      e('rally car', 'found', 'caliper pin', 30, 600),
      e('microcar', 'did', 'cleaned the carb', 90),
      e('microcar', 'did', 'set the float'),
      e('microcar', 'found', 'needle worn', 30, 1100),
      e('microcar', 'ordered', 'a needle from', 0, 1060),
      e('hearse', 'moved', 'booth'),
    ],
  },
  {
    name: 'cold: American, three cars, on the move',
    text: "Walking out to the estate now. Door gaps are set, two hours. Glass guy came, he's done the windshield, that's 210. Still need the wiper arms. Heading over to the camper. Leak test passed, half an hour. Found one soft spot by the step, 18 and two hours, should. Tove okayed it already. In the booth we have the drophead. Final sand, three hours. Tack cloth and tape, spent 22.40. Paint goes on tomorrow.",
    entries: [
      e('estate', 'did', 'Door gaps', 120),
      e('estate', 'spent', 'windshield', 0, 21_000),
      e('estate', 'waiting', 'wiper arms'),
      e('camper', 'hours', 'Leak test', 30),
      e('camper', 'found', 'soft spot', 120, 1800),
      e('camper', 'decided', 'okayed'),
      e('drophead', 'hours', 'Final sand', 180),
      e('drophead', 'spent', '22.40', 0, 2240),
      e('drophead', 'next', 'Paint goes on'),
    ],
  },
  {
    name: 'cold: British, one car, trouble',
    text: 'The ice-cream van has let us down. Drove it out this morning and it boiled over at the gate. Towed it back in. Found the head gasket blown between two and three, 95 and seven hours, must. Took the head off, three hours. It is two thou out of true. Rang Marta, she is not best pleased. She said do it. Sent the head to the machine shop. Ordered a gasket set from Skerry Electrics, 41.20, due Friday. Spent 18 on coolant.',
    entries: [
      e('ice-cream van', 'found', 'head gasket', 420, 9500),
      e('ice-cream van', 'did', 'head off', 180),
      e('ice-cream van', 'reading', 'two thou'),
      e('ice-cream van', 'told', 'Rang Marta'),
      e('ice-cream van', 'decided', 'said do it'),
      e('ice-cream van', 'moved', 'machine shop'),
      e('ice-cream van', 'ordered', 'gasket set', 0, 4120),
      e('ice-cream van', 'spent', 'coolant', 0, 1800),
    ],
  },
  {
    name: 'cold: Australian, four cars, before knock off',
    text: "Last lap. Rally car, chucked the seats back in, an hour, belts done up tight. Estate, waiting on wiper arms, they reckon Wednesday. Microcar, carby's back together, an hour, and she idles. Found the throttle cable sticky, 7 and half an hour, should. Milk float, fitted the last three dash lamps, forty minutes. Spent 4.50 on globes. Next is the reverse switch. That's me done.",
    entries: [
      e('rally car', 'fitted', 'seats back in', 60),
      e('estate', 'waiting', 'wiper arms'),
      e('microcar', 'did', 'back together', 60),
      e('microcar', 'found', 'throttle cable', 30, 700),
      e('milk float', 'fitted', 'dash lamps', 40),
      e('milk float', 'spent', 'globes', 0, 450),
      e('milk float', 'next', 'reverse switch'),
    ],
  },
  {
    name: 'cold: British, customers on the telephone',
    text: 'Calls. Ruan rang, he would like the drophead by the tenth. I told him the irons decide that. Hugh agreed the runner on the estate. Dex wants the hearse without the plates. Tove asked whether the camper can be inspected here. And Marta Quill sent 500 on account for the ice-cream van.',
    entries: [
      e('drophead', 'asked', 'by the tenth'),
      e('drophead', 'told', 'irons decide'),
      e('estate', 'decided', 'runner'),
      e('hearse', 'decided', 'without the plates'),
      e('camper', 'asked', 'inspected here'),
      e('ice-cream van', 'note', '500 on account'),
    ],
  },
  {
    name: 'cold: no stops, British, four cars, welding day',
    text: 'so on the hearse I let in the new sill end four hours and dressed it one hour then the estate welded the seat runner half an hour and painted it quarter of an hour on the camper I cut out the soft spot one hour and made a patch an hour and three quarters and found the step bracket cracked 12 and one hour safety and for the milk float made a bracket for the horn half an hour spent 14.20 on gas',
    entries: [
      e('hearse', 'did', 'new sill end', 240),
      e('hearse', 'did', 'dressed it', 60),
      e('estate', 'did', 'seat runner', 30),
      e('estate', 'did', 'painted it', 15),
      e('camper', 'did', 'soft spot', 60),
      e('camper', 'did', 'made a patch', 105),
      e('camper', 'found', 'step bracket', 60, 1200),
      e('milk float', 'did', 'bracket for the horn', 30),
      e('milk float', 'spent', 'gas', 0, 1420),
    ],
  },
  {
    name: 'cold: American, parts counter',
    text: 'Parts update. Rally car: caliper pins ordered from Cobb Springs, 5.90. Microcar: needle arrived. Throttle cable on order from Cobb Springs, 8.80, due Monday. Estate: wiper arms are in. Camper: waiting on the handle. Hearse: rear glass came in cracked, sent it back to Tern & Sons. Drophead: picked up the blue, paid 164.',
    entries: [
      e('rally car', 'ordered', 'caliper pins', 0, 590),
      e('microcar', 'arrived', 'needle'),
      e('microcar', 'ordered', 'Throttle cable', 0, 880),
      e('estate', 'arrived', 'wiper arms'),
      e('camper', 'waiting', 'handle'),
      e('hearse', 'arrived', 'rear glass'),
      e('drophead', 'arrived', 'the blue'),
      e('drophead', 'spent', '164', 0, 16_400),
    ],
  },
  {
    name: 'cold: British, the painter thinks aloud',
    text: 'First blue on the drophead, it went on well, two hours and a half with the mixing. There is one fly in the bonnet. I will nib that out in the morning. Second coat after that. The lacquer is short, ordered five litres from Tern & Sons, 88, due Wednesday. While it dries I did the wheels of the rally car, flatted and primed, three hours. One rim has a crack, found that under the old paint, 60 and an hour, safety, Ilse must be told.',
    entries: [
      e('drophead', 'did', 'First blue', 150),
      e('drophead', 'next', 'nib that out'),
      e('drophead', 'ordered', 'five litres', 0, 8800),
      e('rally car', 'did', 'wheels', 180),
      e('rally car', 'found', 'under the old paint', 60, 6000),
    ],
  },
  {
    name: 'cold: Australian, short and sharp',
    text: "Camper: patch is in, two hours. Step bracket welded, an hour. Handle's turned up. Estate: wiper arms on, ten minutes, all good. Milk float: horn on its bracket, half an hour, works. Hearse: no glass, no go. Told Dex Friday. Ice-cream van: head's off at the machinist till Thursday.",
    entries: [
      e('camper', 'fitted', 'patch is in', 120),
      e('camper', 'did', 'Step bracket welded', 60),
      e('camper', 'arrived', 'Handle'),
      e('estate', 'fitted', 'wiper arms on', 10),
      e('milk float', 'fitted', 'horn on its bracket', 30),
      e('hearse', 'waiting', 'no glass'),
      e('hearse', 'told', 'Told Dex'),
      e('ice-cream van', 'waiting', 'machinist'),
    ],
  },
];
