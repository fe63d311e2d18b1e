/**
 * Lines as shops write and say them, with the parts that must be understood. What a row does not name must not be
 * understood either. Day: Wednesday 11 March 2026; money: GBP; place: en-GB, imperial, unless the group says otherwise.
 */
import type { Kind } from '#core/log/kinds.ts';

export interface Expected {
  kind: Kind;
  subject?: string;
  build?: string;
  zone?: string;
  minutes?: number;
  /** Minor units. */
  money?: number;
  quantity?: number;
  due?: string;
  on?: string;
  vendor?: string;
  person?: string;
  place?: string;
  class?: string;
  /** "1.5 thou, 3 mm". */
  measures?: string;
}

export type Example = [text: string, expected: Expected];

export const BRITISH: Example[] = [
  // The lines of the product's own description.
  [
    'found tailgate post rotten left side, let in new metal, 60 and four hours, must',
    { kind: 'found', subject: 'tailgate post', zone: 'left side', money: 6000, minutes: 240, class: 'must' },
  ],
  ['did serving hatch hinges, 3h', { kind: 'did', subject: 'serving hatch hinges', minutes: 180 }],
  [
    'ordered 2 window winders from Tern & Sons, 46.50, due friday',
    {
      kind: 'ordered',
      subject: 'window winders',
      quantity: 2,
      vendor: 'Tern & Sons',
      money: 4650,
      due: '2026-03-13',
    },
  ],
  ['waiting on glass since monday', { kind: 'waiting', subject: 'glass', on: '2026-03-09' }],
  ['spent 18 on fixings', { kind: 'spent', subject: 'fixings', money: 1800 }],
  [
    'microcar: hood frame is back from the welder',
    { kind: 'arrived', build: 'microcar', subject: 'hood frame', vendor: 'welder' },
  ],
  // Found.
  ['found brake pipe corroded rear left', { kind: 'found', subject: 'brake pipe', zone: 'rear left' }],
  [
    'found front crossmember rotten, 180 and eight hours, safety',
    { kind: 'found', zone: 'front', subject: 'crossmember', money: 18000, minutes: 480, class: 'safety' },
  ],
  ['noticed oil leak at the sump gasket', { kind: 'found', subject: 'oil leak' }],
  [
    'spotted a split brake hose nearside front, safety',
    { kind: 'found', zone: 'nearside front', class: 'safety' },
  ],
  ['king pins are worn, ten hours', { kind: 'found', subject: 'king pins', minutes: 600 }],
  ['exhaust is rusted through at the back box', { kind: 'found', subject: 'exhaust' }],
  [
    'found seat belts out of date, £190, safety',
    { kind: 'found', subject: 'seat belts', money: 19000, class: 'safety' },
  ],
  [
    'found clutch slipping, about 220 quid and a day is not enough, must',
    { kind: 'found', subject: 'clutch slipping', money: 22000, class: 'must' },
  ],
  ['turns out the chassis is cracked behind the gearbox', { kind: 'found', subject: 'chassis' }],
  ['the headlining has gone', { kind: 'found', subject: 'headlining' }],
  [
    'found door seal perished offside, 24.50 and one hour, should',
    { kind: 'found', subject: 'door seal', zone: 'offside', money: 2450, minutes: 60, class: 'should' },
  ],
  ['found heater matrix leaking, must', { kind: 'found', subject: 'heater matrix', class: 'must' }],
  ['found dash top crazed, nice to have', { kind: 'found', subject: 'dash top', class: 'nice' }],
  [
    'found radiator blocked half way up, 130 and four hours',
    { kind: 'found', subject: 'radiator', money: 13000, minutes: 240 },
  ],
  [
    'discovered old filler under the paint, both doors',
    { kind: 'found', subject: 'old filler under the paint' },
  ],
  ['saw a chafed wire behind the dash', { kind: 'found', zone: 'behind the dash' }],
  ['found 3 broken spokes', { kind: 'found', quantity: 3, subject: 'broken spokes' }],
  ['found nothing wrong with the steering box', { kind: 'found', subject: 'nothing' }],
  [
    'found sliding glass cracked in the corner, 85, should',
    { kind: 'found', subject: 'sliding glass', money: 8500, class: 'should' },
  ],
  [
    'found battery boxes eaten through by acid, 220 and fourteen hours, must',
    { kind: 'found', subject: 'battery boxes eaten', money: 22000, minutes: 840, class: 'must' },
  ],
  ['gas hose is dated twelve years ago', { kind: 'found', subject: 'gas hose' }],
  ['bulkhead is split under the dash', { kind: 'found', zone: 'bulkhead' }],
  ['front dampers are weeping', { kind: 'found', zone: 'front', subject: 'dampers' }],
  ['found rot', { kind: 'found', subject: 'rot' }],
  // Did.
  ['did brake pipes all round, 5h', { kind: 'did', subject: 'brake pipes', minutes: 300 }],
  ['welded the nearside sill, 8 hours', { kind: 'did', zone: 'nearside', subject: 'sill', minutes: 480 }],
  ['stripped gearbox, 4h', { kind: 'did', subject: 'gearbox', minutes: 240 }],
  ['painted lower panels, two and a half hours', { kind: 'did', minutes: 150, subject: 'lower panels' }],
  ['cleaned the carburettor, 45 min', { kind: 'did', subject: 'carburettor', minutes: 45 }],
  ['rebuilt the dynastarter, 2h 30', { kind: 'did', subject: 'dynastarter', minutes: 150 }],
  ['did wiring to the chime, 1h30', { kind: 'did', subject: 'wiring to the chime', minutes: 90 }],
  ['bled the brakes, half an hour', { kind: 'did', subject: 'brakes', minutes: 30 }],
  ['sanded the roof, an hour and a quarter', { kind: 'did', subject: 'roof', minutes: 75 }],
  ['let in new metal at the tailgate post, 4h', { kind: 'did', minutes: 240 }],
  ['finished the headlining, 6 hrs', { kind: 'did', subject: 'headlining', minutes: 360 }],
  ['primed doors and scuttle, 5h', { kind: 'did', subject: 'doors and scuttle', minutes: 300 }],
  [
    'Joss did the door catch, 2h',
    { kind: 'did', person: 'Joss Arkwright', subject: 'door catch', minutes: 120 },
  ],
  [
    'did door catch, 2h, by Petra',
    { kind: 'did', subject: 'door catch', minutes: 120, person: 'Petra Vosk' },
  ],
  ['hinge posts done, three quarters of an hour', { kind: 'did', subject: 'hinge posts', minutes: 45 }],
  ['boot floor is welded in', { kind: 'did', zone: 'boot floor' }],
  [
    'did valve clearances yesterday, 1h',
    { kind: 'did', subject: 'valve clearances', on: '2026-03-10', minutes: 60 },
  ],
  [
    'greased the steering box on monday, 20 min',
    { kind: 'did', subject: 'steering box', on: '2026-03-09', minutes: 20 },
  ],
  ['decoked the head, 5h', { kind: 'did', subject: 'head', minutes: 300 }],
  ['did new floor pans, nine hours', { kind: 'did', subject: 'floor pans', minutes: 540 }],
  ['masked up and sprayed the bonnet, 3.5h', { kind: 'did', minutes: 210 }],
  ['undersealed, 1h', { kind: 'did', minutes: 60 }],
  ['we have just fixed the wiper, 15 mins', { kind: 'did', subject: 'wiper', minutes: 15 }],
  ['swapped the regulator, 40 minutes', { kind: 'did', subject: 'regulator', minutes: 40 }],
  // Ordered.
  [
    'ordered hood cloth, 96.50, due in two weeks',
    { kind: 'ordered', subject: 'hood cloth', money: 9650, due: '2026-03-25' },
  ],
  [
    'ordered 4 wheel studs from Cobb Springs, 22, due next tuesday',
    {
      kind: 'ordered',
      quantity: 4,
      subject: 'wheel studs',
      vendor: 'Cobb Springs',
      money: 2200,
      due: '2026-03-17',
    },
  ],
  [
    'ordered glass from Marram Glass, £240 plus carriage, eta 20 march',
    { kind: 'ordered', subject: 'glass', vendor: 'Marram Glass', money: 24000, due: '2026-03-20' },
  ],
  ['put in an order for brake shoes', { kind: 'ordered', subject: 'brake shoes' }],
  ['gasket set is on order', { kind: 'ordered', subject: 'gasket set' }],
  [
    'ordered three off king pin bushes, 12 each',
    { kind: 'ordered', quantity: 3, subject: 'king pin bushes', money: 3600 },
  ],
  ['ordered x4 hinges at 7.50 each', { kind: 'ordered', quantity: 4, subject: 'hinges', money: 3000 }],
  [
    'ordered a pair of lamp lenses, 23.80, next friday',
    { kind: 'ordered', quantity: 2, subject: 'lamp lenses', money: 2380, due: '2026-03-20' },
  ],
  ['ordered half a dozen clips, 4.20', { kind: 'ordered', quantity: 6, subject: 'clips', money: 420 }],
  [
    'ordered paint from Tern & Sons for seventy-two fifty',
    { kind: 'ordered', subject: 'paint', vendor: 'Tern & Sons', money: 7250 },
  ],
  [
    'ordered piston from Oldgate Machine Works, one hundred and twelve pounds, due the week after next',
    { kind: 'ordered', subject: 'piston', vendor: 'Oldgate Machine Works', money: 11200, due: '2026-03-23' },
  ],
  [
    'ordered two tyres, 140, due tomorrow',
    { kind: 'ordered', quantity: 2, subject: 'tyres', money: 14000, due: '2026-03-12' },
  ],
  ['ordered seat foam, due in a fortnight', { kind: 'ordered', subject: 'seat foam', due: '2026-03-25' }],
  ['ordered door glass, due end of the month', { kind: 'ordered', subject: 'door glass', due: '2026-03-31' }],
  ['ordered M8 bolts, 9.40', { kind: 'ordered', subject: 'M8 bolts', money: 940 }],
  [
    'ordered 12 brass screws, 31.20, due friday week',
    { kind: 'ordered', quantity: 12, subject: 'brass screws', money: 3120, due: '2026-03-20' },
  ],
  [
    'ordered a set of 6 valves from Oldgate, £88',
    { kind: 'ordered', quantity: 6, subject: 'valves', vendor: 'Oldgate Machine Works', money: 8800 },
  ],
  [
    'ordered exhaust from Pemberton Pipes, 310',
    { kind: 'ordered', subject: 'exhaust', vendor: 'Pemberton Pipes', money: 31000 },
  ],
  ['ordered 1 litre of thinner, 8.99', { kind: 'ordered', money: 899, measures: '1 l' }],
  [
    'ordered clutch plate, two grand, due 14/4',
    { kind: 'ordered', subject: 'clutch plate', money: 200000, due: '2026-04-14' },
  ],
  ['ordered carpet, 1.2k', { kind: 'ordered', subject: 'carpet', money: 120000 }],
  [
    'ordered fuel pump from Skerry Electrics, 54 pounds 20, by thursday',
    { kind: 'ordered', subject: 'fuel pump', vendor: 'Skerry Electrics', money: 5420, due: '2026-03-12' },
  ],
  // Arrived.
  ['brake kit arrived from Tern & Sons', { kind: 'arrived', subject: 'brake kit', vendor: 'Tern & Sons' }],
  ['arrived: 2 rear springs', { kind: 'arrived', quantity: 2, subject: 'springs', zone: 'rear' }],
  ['hinges came in today', { kind: 'arrived', subject: 'hinges', on: '2026-03-11' }],
  [
    'radiator is back from Oldgate Machine Works',
    { kind: 'arrived', subject: 'radiator', vendor: 'Oldgate Machine Works' },
  ],
  ['the bumper irons have turned up', { kind: 'arrived', subject: 'bumper irons' }],
  ['collected the seats from the trimmer', { kind: 'arrived', subject: 'seats', vendor: 'trimmer' }],
  ['picked up wheel bearings', { kind: 'arrived', subject: 'wheel bearings' }],
  ['received clock', { kind: 'arrived', subject: 'clock' }],
  ['glass is here', { kind: 'arrived', subject: 'glass' }],
  [
    'grille back from the platers yesterday',
    { kind: 'arrived', subject: 'grille', vendor: 'platers', on: '2026-03-10' },
  ],
  ['piston and rings arrived', { kind: 'arrived', subject: 'piston and rings' }],
  ['three window winders arrived, one is wrong', { kind: 'arrived', quantity: 3, subject: 'window winders' }],
  // Fitted.
  ['fitted window winders, 1.5h', { kind: 'fitted', subject: 'window winders', minutes: 90 }],
  ['fitted 4 seat belts, 3h', { kind: 'fitted', quantity: 4, subject: 'seat belts', minutes: 180 }],
  ['refitted the head, 2 hours', { kind: 'fitted', subject: 'head', minutes: 120 }],
  ['hung the doors, 4h', { kind: 'fitted', subject: 'doors', minutes: 240 }],
  ['installed the sealed heater, 6h', { kind: 'fitted', subject: 'sealed heater', minutes: 360 }],
  ['put the bonnet back on', { kind: 'fitted', subject: 'bonnet' }],
  ['trial fitted board racks, 4h', { kind: 'fitted', subject: 'board racks', minutes: 240 }],
  ['bolted up the gearbox, an hour', { kind: 'fitted', subject: 'gearbox', minutes: 60 }],
  [
    'wheel bearing fitted offside front, 2h',
    { kind: 'fitted', subject: 'wheel bearing', zone: 'offside front', minutes: 120 },
  ],
  ['radiator is on', { kind: 'fitted', subject: 'radiator' }],
  // Spent.
  ['spent £12.60 on chrome screws', { kind: 'spent', subject: 'chrome screws', money: 1260 }],
  ['paid 410 to Halcyon Platers', { kind: 'spent', vendor: 'Halcyon Platers', money: 41000 }],
  ['bought varnish and brushes, 27', { kind: 'spent', subject: 'varnish and brushes', money: 2700 }],
  ['spent a tenner on split pins', { kind: 'spent', subject: 'split pins', money: 1000 }],
  ['spent fifteen quid on sandpaper', { kind: 'spent', subject: 'sandpaper', money: 1500 }],
  ['spent 80p on a washer', { kind: 'spent', subject: 'washer', money: 80 }],
  ['spent 1,250.00 on leather', { kind: 'spent', subject: 'leather', money: 125000 }],
  ['paid the welder 60', { kind: 'spent', money: 6000 }],
  ['spent twenty-three pounds forty on hose', { kind: 'spent', subject: 'hose', money: 2340 }],
  [
    'spent 36.20 on cable and glands yesterday',
    { kind: 'spent', subject: 'cable and glands', money: 3620, on: '2026-03-10' },
  ],
  ['invoice from Grist Foundry, £318.75', { kind: 'spent', vendor: 'Grist Foundry', money: 31875 }],
  ['spent 2 hours on the wing', { kind: 'hours', subject: 'wing', minutes: 120 }],
  // Hours.
  ['3h', { kind: 'hours', minutes: 180 }],
  ['two hours and a quarter on the doors', { kind: 'hours', subject: 'doors', minutes: 135 }],
  ['4.5 hours on the dash', { kind: 'hours', subject: 'dash', minutes: 270 }],
  ['worked 6h on the frame', { kind: 'hours', subject: 'frame', minutes: 360 }],
  ['Milo 2h on trim', { kind: 'hours', person: 'Milo Tarrant', subject: 'trim', minutes: 120 }],
  ['an hour and a half chasing the short', { kind: 'hours', minutes: 90 }],
  ['90 mins on the gearbox', { kind: 'hours', subject: 'gearbox', minutes: 90 }],
  ['half an hour', { kind: 'hours', minutes: 30 }],
  ['1¼ hours sweeping', { kind: 'hours', minutes: 75 }],
  ['booked 7h 45 to the frame', { kind: 'hours', subject: 'frame', minutes: 465 }],
  // Waiting.
  [
    'waiting for the glass from Marram Glass, due friday',
    { kind: 'waiting', subject: 'glass', vendor: 'Marram Glass', due: '2026-03-13' },
  ],
  ['waiting on Ilse to decide about the hood', { kind: 'waiting' }],
  ['held up by the rain', { kind: 'waiting', subject: 'rain' }],
  ['stuck for want of a gasket', { kind: 'waiting' }],
  ['still no sign of the clock', { kind: 'waiting', subject: 'clock' }],
  ['on hold until the money comes', { kind: 'waiting' }],
  [
    'waiting for hood frame from the welder since last week',
    { kind: 'waiting', subject: 'hood frame', vendor: 'welder', on: '2026-03-02' },
  ],
  ['glass still not here', { kind: 'waiting', subject: 'glass' }],
  [
    'chasing Halcyon Platers for the grille',
    { kind: 'waiting', vendor: 'Halcyon Platers', subject: 'grille' },
  ],
  [
    'waiting on 2 lamp lenses since 3 march',
    { kind: 'waiting', quantity: 2, subject: 'lamp lenses', on: '2026-03-03' },
  ],
  ['waiting on paint to cure', { kind: 'waiting', subject: 'paint to cure' }],
  ['blocked by the missing gearbox mount', { kind: 'waiting', subject: 'missing gearbox mount' }],
  // Going again.
  ['going again', { kind: 'resumed' }],
  ['back on it', { kind: 'resumed' }],
  ['resumed glass', { kind: 'resumed', subject: 'glass' }],
  ['no longer waiting for the platers', { kind: 'resumed' }],
  ['work is under way again', { kind: 'resumed' }],
  // Reading.
  [
    'reading compression 118 psi, 121 psi, 117 psi, 90 psi',
    { kind: 'reading', subject: 'compression', measures: '118 psi, 121 psi, 117 psi, 90 psi' },
  ],
  ['measured crank journal 1.998 in', { kind: 'reading', subject: 'crank journal', measures: '1.998 in' }],
  [
    'king pin clearance one and a half thou',
    { kind: 'reading', subject: 'king pin clearance', measures: '1.5 thou' },
  ],
  ['reading gearbox end float 4 thou', { kind: 'reading', subject: 'gearbox end float', measures: '4 thou' }],
  ['oil pressure 45 psi hot', { kind: 'reading', subject: 'oil pressure', measures: '45 psi' }],
  ['battery 12.1 V at rest', { kind: 'reading', subject: 'battery', measures: '12.1 V' }],
  ['head torqued to 45 lb-ft', { kind: 'did', measures: '45 lb-ft' }],
  ['took seven pints of oil', { kind: 'reading', measures: '7 pt' }],
  ['timing 10 degrees before top', { kind: 'reading', subject: 'timing', measures: '10 deg' }],
  ['idle 650 rpm', { kind: 'reading', subject: 'idle', measures: '650 rpm' }],
  [
    'reading camber -1.5 deg left',
    { kind: 'reading', subject: 'camber', zone: 'left', measures: '-1.5 deg' },
  ],
  ['tread depth 3 mm', { kind: 'reading', subject: 'tread depth', measures: '3 mm' }],
  ['mileage 48,211 miles', { kind: 'reading', subject: 'mileage', measures: '48211 mi' }],
  ['ring gap 12 thou', { kind: 'reading', subject: 'ring gap', measures: '12 thou' }],
  ['plug gap .025 in', { kind: 'reading', subject: 'plug gap', measures: '0.025 in' }],
  ['hub nut 120 foot pounds', { kind: 'reading', subject: 'hub nut', measures: '120 lb-ft' }],
  ['toe 1/16 in', { kind: 'reading', subject: 'toe', measures: '0.0625 in' }],
  ['wheel nuts 70 newton metres', { kind: 'reading', subject: 'wheel nuts', measures: '70 Nm' }],
  ['tyres at 2.2 bar', { kind: 'reading', subject: 'tyres', measures: '2.2 bar' }],
  ['moisture 11 percent', { kind: 'reading', subject: 'moisture', measures: '11 %' }],
  // Moved.
  ['moved to lift 2', { kind: 'moved', place: 'Lift 2' }],
  ['hearse is on lift 1', { kind: 'moved', build: 'hearse', place: 'Lift 1' }],
  ['pushed into the booth', { kind: 'moved', place: 'Booth' }],
  ['milk float to bay 3', { kind: 'moved', build: 'milk float', place: 'Bay 3' }],
  ['rolled onto lift 1', { kind: 'moved', place: 'Lift 1' }],
  [
    'sent bumper irons to Halcyon Platers',
    { kind: 'moved', subject: 'bumper irons', vendor: 'Halcyon Platers' },
  ],
  ['doors went to the blast room', { kind: 'moved', subject: 'doors', place: 'Blast room' }],
  ['now in the yard', { kind: 'moved', place: 'Yard' }],
  ['sent hood frame to the welder', { kind: 'moved', subject: 'hood frame', vendor: 'welder' }],
  // Asked.
  ['asked Ilse whether the hood cover may be replaced', { kind: 'asked' }],
  ['ask about the chrome', { kind: 'asked', subject: 'chrome' }],
  ['question: black or blue carpet?', { kind: 'asked', subject: 'black or blue carpet' }],
  ['asked Hugh about the roof canvas, 210 and nine hours', { kind: 'asked', money: 21000, minutes: 540 }],
  ['need to know which hubcaps', { kind: 'asked' }],
  ['does she want the clock done?', { kind: 'asked' }],
  // Decided.
  ['decided lithium pack', { kind: 'decided', subject: 'lithium pack' }],
  ['Ilse said yes to a new hood cover', { kind: 'decided' }],
  ['agreed the crossmember', { kind: 'decided', subject: 'crossmember' }],
  ['go ahead with the brakes', { kind: 'decided' }],
  ['customer declined the chrome', { kind: 'decided', subject: 'chrome' }],
  ['decided cage white, 120', { kind: 'decided', money: 12000 }],
  // Told.
  ['told Marta the crossmember comes first', { kind: 'told' }],
  ['rang Hugh, glass is late', { kind: 'told' }],
  ['emailed pictures to the customer', { kind: 'told', subject: 'pictures' }],
  ['spoke to Ilse yesterday', { kind: 'told', on: '2026-03-10' }],
  // Notes, and what says nothing in particular.
  [
    'note museum wants every repair to be reversible',
    { kind: 'note', subject: 'museum wants every repair to be reversible' },
  ],
  ['keys are in the tin', { kind: 'note' }],
  ['remember the bell', { kind: 'note', subject: 'bell' }],
  ['no keys, two boxes of trim', { kind: 'note' }],
  ['customer is at sea until may', { kind: 'note' }],
  ['nb the old loom goes back in the box', { kind: 'note' }],
  ['should have said offside, not nearside', { kind: 'correction', zone: 'offside' }],
  // Which car.
  ['B-0107 waiting on glass', { kind: 'waiting', build: 'hearse', subject: 'glass' }],
  ['ice-cream van: did hinges, 3h', { kind: 'did', build: 'ice-cream van', subject: 'hinges', minutes: 180 }],
  ['the milk float needs new brushes', { kind: 'needs', build: 'milk float', subject: 'brushes' }],
  ["microcar's up on lift 1", { kind: 'moved', build: 'microcar', place: 'Lift 1' }],
  [
    'hearse needs its glass back from the engraver',
    { kind: 'waiting', build: 'hearse', subject: 'glass' },
  ],
  [
    'hearse, found side glass cracked, 240',
    { kind: 'found', build: 'hearse', subject: 'side glass', money: 24000 },
  ],
  [
    'microcar hood cloth ordered from Tern & Sons, 96.50',
    { kind: 'ordered', build: 'microcar', subject: 'hood cloth', vendor: 'Tern & Sons', money: 9650 },
  ],
  ['Pipit Three: fitted engine, 3h', { kind: 'fitted', build: 'microcar', subject: 'engine', minutes: 180 }],
  ['Ilse Brandt: told her the frame is late', { kind: 'told', build: 'microcar' }],
  [
    'spent 14.50 on decals for the milk float',
    { kind: 'spent', build: 'milk float', subject: 'decals', money: 1450 },
  ],
  ['did 2h on the hearse', { kind: 'hours', build: 'hearse', minutes: 120 }],
];

/** Numbers that are not money, hours or counts, and words that are not what they look like. */
export const NOT_OVER_READ: Example[] = [
  ['turned the 40 round to get at the back', { kind: 'did' }],
  ['found crack in number 4 cylinder', { kind: 'found' }],
  ['did cylinders 1, 2, 3', { kind: 'did' }],
  ['found 1974 panel under the paint', { kind: 'found' }],
  ['fitted 12 volt battery', { kind: 'fitted', measures: '12 V' }],
  ['did the 3 speed box', { kind: 'did' }],
  ['ordered part number 4471', { kind: 'ordered' }],
  ['found a 5/16 bolt in the sump', { kind: 'found' }],
  ['must find out who painted it', { kind: 'planned' }],
  ['it should go home soon', { kind: 'planned' }],
  ['nice car this', { kind: 'note' }],
  ['all safety gear is in the locker', { kind: 'note' }],
  ['left it with the trimmer', { kind: 'moved', vendor: 'trimmer' }],
  ['that came out right', { kind: 'note' }],
  ['ordered a 60 watt bulb', { kind: 'ordered' }],
  ['30 mph is all it will do', { kind: 'reading', measures: '30 mph' }],
  ['found H4 bulbs blown', { kind: 'found' }],
  ['painted it RAL 3020', { kind: 'did' }],
  ['did 40 miles of road test', { kind: 'did', measures: '40 mi' }],
  ['paint needs 24 hours to cure', { kind: 'planned' }],
  ['found two pack under the cellulose', { kind: 'found' }],
  ['did the second coat', { kind: 'did' }],
  ['found it at last', { kind: 'found' }],
  ['call back at 3', { kind: 'planned' }],
  ['engine number 20417 found on the block', { kind: 'found' }],
  ['ordered 10W40 oil', { kind: 'ordered' }],
  ['40 an hour is what they charge', { kind: 'note' }],
  ['room 12 in the museum', { kind: 'note' }],
  ['friday the customer looks in', { kind: 'planned', due: '2026-03-13' }],
  ['spent ages on it', { kind: 'spent' }],
  ['', { kind: 'note' }],
  ['   ', { kind: 'note' }],
  ['!!!', { kind: 'note' }],
  ['60', { kind: 'note' }],
  ['£', { kind: 'note' }],
];

/** American shop English: en-US, USD. */
export const AMERICAN: Example[] = [
  [
    'found trunk floor rusted, $350 and six hours, must',
    { kind: 'found', zone: 'trunk', money: 35000, minutes: 360, class: 'must' },
  ],
  [
    'ordered fender from Harbor Sheet Metal, $412.50, due 3/20',
    { kind: 'ordered', subject: 'fender', vendor: 'Harbor Sheet Metal', money: 41250, due: '2026-03-20' },
  ],
  ['pulled the transmission, 3 hrs', { kind: 'did', subject: 'transmission', minutes: 180 }],
  ['spent forty bucks on hardware', { kind: 'spent', subject: 'hardware', money: 4000 }],
  ['swapped out the alternator, 45 minutes', { kind: 'did', minutes: 45 }],
  ['picked up hood hinges', { kind: 'arrived', subject: 'hood hinges' }],
  ['torqued the heads to 65 ft-lbs', { kind: 'did', measures: '65 lb-ft' }],
  ['called Dana about the interior', { kind: 'told' }],
  ['waiting on chrome since last friday', { kind: 'waiting', subject: 'chrome', on: '2026-03-06' }],
  ["found cracked manifold driver's side", { kind: 'found', zone: "driver's side" }],
  ['dropped the tank, two hours', { kind: 'did', subject: 'tank', minutes: 120 }],
  ['fixed passenger side window, 1 hour', { kind: 'did', zone: 'passenger side', minutes: 60 }],
  ['ordered 8 pistons, $64 apiece', { kind: 'ordered', quantity: 8, subject: 'pistons', money: 51200 }],
  ['spent £20 in another country', { kind: 'spent' }],
  ['bought five quarts of oil, $38', { kind: 'spent', money: 3800, measures: '5 qt' }],
  ['leakdown 8 percent on number three', { kind: 'reading', measures: '8 %' }],
];

/** de-AT, EUR, metric: the comma is the decimal mark. */
export const CONTINENTAL: Example[] = [
  ['spent 18,50 on fixings', { kind: 'spent', subject: 'fixings', money: 1850 }],
  [
    'ordered glass, 1.250,00, due 20/3',
    { kind: 'ordered', subject: 'glass', money: 125000, due: '2026-03-20' },
  ],
  ['ordered leather, € 2.400', { kind: 'ordered', subject: 'leather', money: 240000 }],
  ['spent 12 euros on clips', { kind: 'spent', subject: 'clips', money: 1200 }],
  ['bore 82,05 mm', { kind: 'reading', subject: 'bore', measures: '82.05 mm' }],
  ['did the doors, 1,5 h', { kind: 'did', subject: 'doors', minutes: 90 }],
  ['wheel nuts 110 Nm', { kind: 'reading', subject: 'wheel nuts', measures: '110 Nm' }],
  ['spent $20 at the show', { kind: 'spent' }],
  ['charge current 4,2 A', { kind: 'reading', subject: 'charge current', measures: '4.2 A' }],
  ['spent 46.50 on paint', { kind: 'spent', subject: 'paint', money: 4650 }],
];
