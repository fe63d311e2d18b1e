import { e } from './moreNarrations.ts';
import type { Narration } from './narrations.ts';

/**
 * Said as it really comes: a beginner, a bad line, a week's hours in one breath. Written after the rules were and not looked at
 * one by one while they were changed: what they measure is what a shop gets that speaks as nobody did before.
 */
export const COLD_NARRATIONS: Narration[] = [
  {
    name: 'cold: American, a beginner at dictation',
    text: 'Um. Milk float. Period. I uh replaced the check strap, twenty minutes. And then I, let me think, greased the hinges, ten minutes. Um, found the horn wire off, no parts, ten minutes, safety. Okay next car. Camper. Sewed the last two cushions, two and a half hours. They look great. Spent 3.60 on thread. Uh, that is it I guess. Oh and the camper needs its bolt, still waiting on Cobb Springs.',
    entries: [
      e('milk float', 'fitted', 'check strap', 20),
      e('milk float', 'did', 'hinges', 10),
      e('milk float', 'found', 'horn wire', 10),
      e('camper', 'did', 'cushions', 150),
      e('camper', 'spent', 'thread', 0, 360),
      e('camper', 'waiting', 'Cobb Springs'),
    ],
  },
  {
    name: 'cold: British, handing over and taking in',
    text: 'The ice-cream van has gone, keys to Marta at ten. Found nothing loose on the last look, half an hour on that. The hearse goes tomorrow, vacuumed it, an hour, and waxed it, two hours. Ordered the flowers holder from Tern & Sons, 33. Dex has agreed the final bill. In its place comes the microcar, moved it to lift 1. Drums are back from the machine shop. Fitted the drums, an hour. Next the wheels.',
    entries: [
      e('ice-cream van', 'did', 'last look', 30),
      e('hearse', 'did', 'vacuumed it', 60),
      e('hearse', 'did', 'waxed it', 120),
      e('hearse', 'ordered', 'flowers holder', 0, 3300),
      e('hearse', 'decided', 'final bill'),
      e('microcar', 'moved', 'lift 1'),
      e('microcar', 'arrived', 'Drums are back'),
      e('microcar', 'fitted', 'Fitted the drums', 60),
      e('microcar', 'next', 'wheels'),
    ],
  },
  {
    name: 'cold: Australian, two utes worth of bits and one car',
    text: "Just the camper, and I've been flat out. Bolt showed up from Cobb Springs, whacked it in, twenty minutes. Belts are bolted down, an hour and a half, and I hung off 'em, good as gold. Curtain rail's up, half an hour. Found the roof vent cracked, 39 and an hour, should. Spent 5.30 on screws. Tove said leave the vent for now. Next is a wash and she's gone.",
    entries: [
      e('camper', 'fitted', 'whacked it in', 20),
      e('camper', 'fitted', 'Belts are bolted', 90),
      e('camper', 'fitted', 'Curtain rail', 30),
      e('camper', 'found', 'roof vent', 60, 3900),
      e('camper', 'spent', 'screws', 0, 530),
      e('camper', 'decided', 'leave the vent'),
      e('camper', 'next', 'a wash'),
    ],
  },
  {
    name: 'cold: no stops, British, five cars, one sentence',
    text: 'today the drophead had its last wet sand three hours and a first cut one hour while the microcar got its wheels on half an hour and new valves 4.50 spent on those and the rally car went home with Ilse who said thank you and the milk float had its horn wire soldered ten minutes and the camper was washed an hour and Tove is told for Saturday',
    entries: [
      e('drophead', 'did', 'wet sand', 180),
      e('drophead', 'did', 'first cut', 60),
      e('microcar', 'did', 'wheels on', 30),
      e('microcar', 'spent', '4.50', 0, 450),
      e('milk float', 'did', 'horn wire', 10),
      e('camper', 'did', 'washed', 60),
      e('camper', 'told', 'Saturday'),
    ],
  },
  {
    name: 'cold: a bad line, words missing, British',
    text: 'hearse waxed hour drophead second cut two hours found chip by handle half hour nice ordered touch up pot from Tern & Sons 6.20 microcar bled again twenty minutes pedal soft still found flexi hose bulging 14 half hour safety ordered hose Cobb Springs 12.90',
    entries: [
      e('hearse', 'did', 'waxed', 60),
      e('drophead', 'did', 'second cut', 120),
      e('drophead', 'found', 'chip by handle', 30),
      e('drophead', 'ordered', 'touch up pot', 0, 620),
      e('microcar', 'did', 'bled again', 20),
      e('microcar', 'found', 'flexi hose', 30, 1400),
      e('microcar', 'ordered', 'ordered hose', 0, 1290),
    ],
  },
  {
    name: 'cold: the owner thinks aloud, British, two cars',
    text: 'The microcar worries me. Four owners, none of them with a spanner. Replaced the flexi hose, half an hour. Found the reservoir cap has no breather, that will be 5 and five minutes, safety, and very likely the whole story. I rang Petra at home, she thinks so too. Ordered a cap from Cobb Springs, 4.40. Well. If that does not do it I do not know. The drophead on the other hand is lovely. Polished it out, four hours. Fitted the irons, an hour and a quarter. Next the bumpers, and then it is the hood.',
    entries: [
      e('microcar', 'fitted', 'flexi hose', 30),
      e('microcar', 'found', 'reservoir cap', 5, 500),
      e('microcar', 'ordered', 'a cap from', 0, 440),
      e('drophead', 'did', 'Polished it out', 240),
      e('drophead', 'fitted', 'irons', 75),
      e('drophead', 'next', 'bumpers'),
    ],
  },
  {
    name: 'cold: hours after the event, American',
    text: 'Catching up on hours for the week. Drophead: Monday three hours on the hood frame, Tuesday five hours on the hood frame. Microcar: two hours brakes. Milk float: doors, an hour and a half. Hearse: detailing, four hours. Spent 6 bucks on towels for the hearse. Camper: wiring, three and a half hours, found a bad ground, half an hour, should. Estate: zero.',
    entries: [
      e('drophead', 'did', 'Monday', 180),
      e('drophead', 'did', 'Tuesday', 300),
      e('microcar', 'did', 'brakes', 120),
      e('milk float', 'did', 'doors', 90),
      e('hearse', 'did', 'detailing', 240),
      e('hearse', 'spent', 'towels', 0, 600),
      e('camper', 'did', 'wiring', 210),
      e('camper', 'found', 'bad ground', 30),
    ],
  },
];
