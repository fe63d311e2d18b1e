/**
 * The zones of a vehicle in the order in which one would crawl over it, and what to look at in each. One registry; general
 * trade knowledge, no published list.
 */
export const BODIES = ['car', 'van', 'motorcycle', 'engine', 'gearbox'] as const;
/** What stands there. */
export type Body = (typeof BODIES)[number];

export interface Checkpoint {
  /** Stable: marks are kept by it. */
  id: string;
  /** What to look at, as one would say it. */
  look: string;
}

export interface Zone {
  id: string;
  name: string;
  /** How the log line calls it. */
  zone: string;
  /** Where looking can hurt: shown before anything else of the zone. */
  caution?: string;
  checkpoints: readonly Checkpoint[];
}

export interface ZoneSpec extends Omit<Zone, 'checkpoints'> {
  bodies: readonly Body[];
  needs?: 'gas' | 'highVoltage';
  /** Short name and what to look at; a body in front means only for that one. */
  look: readonly (readonly [id: string, look: string, only?: readonly Body[]])[];
}

const ROAD = ['car', 'van', 'motorcycle'] as const;
const CLOSED = ['car', 'van'] as const;

const RAISED =
  'Never under a vehicle that only a jack holds: lift or stands on firm ground, wheels chocked, and a push to see that it stands.';
const LOCAL = 'Local rules and licensed practice come first.';

export const ZONES: readonly ZoneSpec[] = [
  {
    id: 'outside',
    name: 'Outside',
    zone: 'outside',
    bodies: ROAD,
    look: [
      ['stance', 'How it stands: level, leaning, a corner down'],
      ['gaps', 'Gaps of doors, bonnet and boot; what drags', CLOSED],
      ['panels', 'Dents, filler, repairs that show'],
      ['trim', 'Bright trim and badges, what is missing'],
      ['lamps', 'Lamps, lenses, reflectors'],
      ['mirrors', 'Mirrors'],
      ['tank', 'Tank and side panels', ['motorcycle']],
      ['side-door', 'Sliding or side door, its runners', ['van']],
    ],
  },
  {
    id: 'glass',
    name: 'Glass and seals',
    zone: 'glass',
    bodies: CLOSED,
    look: [
      ['screen', 'Windscreen: chips, delamination, its frame'],
      ['side-glass', 'Side and rear glass, how the windows run'],
      ['seals', 'Door, boot and screen seals: hard, damp, missing'],
      ['wipers', 'Wipers and washers'],
      ['roof-opening', 'Sunroof, hood or elevating roof'],
    ],
  },
  {
    id: 'inside',
    name: 'Inside',
    zone: 'inside',
    bodies: CLOSED,
    caution: `Airbags and belt tensioners are not touched or measured without their maker’s procedure. ${LOCAL}`,
    look: [
      ['carpets', 'Carpets and what is under them: damp, rust'],
      ['belts', 'Belts: webbing, locks, where they are bolted'],
      ['seats', 'Seats and their runners'],
      ['headlining', 'Headlining and trim'],
      ['dash', 'Instruments and warning lamps'],
      ['pedals', 'Pedals: travel, rubbers, what they rub on'],
      ['heater', 'Heater and demister, smell of fumes or fuel'],
      ['fittings', 'Cupboards, hatches, equipment', ['van']],
    ],
  },
  {
    id: 'boot',
    name: 'Boot',
    zone: 'boot',
    bodies: CLOSED,
    look: [
      ['floor', 'Floor and spare wheel well: water, rust'],
      ['hinges', 'Hinges, lock, struts'],
      ['tools', 'Jack and tools, what came with it'],
    ],
  },
  {
    id: 'engine-bay',
    name: 'Engine bay',
    zone: 'engine bay',
    bodies: ROAD,
    caution:
      'Engine off and key out before a hand goes in; fans can start by themselves. Hot coolant is under pressure.',
    look: [
      ['oil', 'Oil: level, colour, smell'],
      ['coolant', 'Coolant: level, colour, oil in it', CLOSED],
      ['leaks', 'Where it leaks, and what'],
      ['hoses', 'Hoses and clips'],
      ['belts', 'Drive belts'],
      ['mounts', 'Mountings'],
      ['air', 'Air cleaner and carburettors or injection'],
      ['ignition', 'Ignition: leads, cap, plugs'],
      ['bulkhead', 'Bulkhead and inner wings: rust, cracks', CLOSED],
    ],
  },
  {
    id: 'bare-engine',
    name: 'The engine on its stand',
    zone: 'engine',
    bodies: ['engine'],
    caution: 'Check the stand’s load and all its bolts before the engine is turned over.',
    look: [
      ['numbers', 'Numbers and casting dates'],
      ['complete', 'What is missing from it'],
      ['turns', 'Does it turn, and how it feels'],
      ['block', 'Block: cracks, frost plugs, repairs'],
      ['head', 'Head: cracks, warping, studs'],
      ['sump', 'Sump and what lies in it'],
      ['ends', 'End float of the crank'],
      ['accessories', 'Pumps, dynamo, starter'],
    ],
  },
  {
    id: 'bare-gearbox',
    name: 'The gearbox on the bench',
    zone: 'gearbox',
    bodies: ['gearbox'],
    look: [
      ['numbers', 'Numbers and casting dates'],
      ['case', 'Case: cracks, threads, repairs'],
      ['shafts', 'Shafts: play, splines, seals'],
      ['selects', 'Does it select every gear and stay there'],
      ['oil', 'What came out with the oil'],
    ],
  },
  {
    id: 'under-front',
    name: 'Underneath, front',
    zone: 'underneath front',
    bodies: CLOSED,
    caution: RAISED,
    look: [
      ['crossmember', 'Front crossmember and legs'],
      ['rails', 'Chassis rails or box sections'],
      ['sump', 'Sump, bell housing, drips'],
      ['pipes', 'Pipes: brake, fuel, clutch'],
    ],
  },
  {
    id: 'under-middle',
    name: 'Underneath, middle',
    zone: 'underneath middle',
    bodies: CLOSED,
    caution: RAISED,
    look: [
      ['sills', 'Sills, inner and outer, jacking points'],
      ['floor', 'Floor pans'],
      ['outriggers', 'Outriggers and crossmembers'],
      ['gearbox', 'Gearbox mounting, linkage, leaks'],
    ],
  },
  {
    id: 'under-rear',
    name: 'Underneath, rear',
    zone: 'underneath rear',
    bodies: CLOSED,
    caution: RAISED,
    look: [
      ['spring-hangers', 'Spring hangers and their pick-ups'],
      ['axle', 'Axle casing, leaks, breather'],
      ['tank-straps', 'Tank straps and rear panel'],
    ],
  },
  {
    id: 'frame',
    name: 'Frame',
    zone: 'frame',
    bodies: ['motorcycle'],
    caution: 'On a firm stand, tied down, before anybody kneels beside it.',
    look: [
      ['headstock', 'Headstock and its bearings'],
      ['tubes', 'Tubes and joints: cracks, bends, repairs'],
      ['swingarm', 'Swing arm and its bushes'],
      ['stands', 'Stands and foot rests'],
    ],
  },
  {
    id: 'fuel',
    name: 'Fuel',
    zone: 'fuel',
    bodies: ROAD,
    caution: `No flame, spark or hot work near fuel; drained fuel goes into a sealed can, outside. ${LOCAL}`,
    look: [
      ['tank', 'Tank: rust, seams, what is in it'],
      ['lines', 'Lines and hoses, their age'],
      ['smell', 'Smell and age of the fuel'],
      ['cap', 'Cap, filler, breather'],
    ],
  },
  {
    id: 'brakes',
    name: 'Brakes',
    zone: 'brake',
    bodies: ROAD,
    caution:
      'Brake dust may hold asbestos: never blow it out; damp it, a mask, and the right bag. Brake fluid strips paint and eyes.',
    look: [
      ['fluid', 'Fluid: level, colour, age'],
      ['hoses', 'Flexible hoses: cracks, swelling'],
      ['pipes', 'Rigid pipes: corrosion'],
      ['linings', 'Linings, pads, drums and discs'],
      ['cylinders', 'Cylinders and calipers: leaks, seized'],
      ['pedal', 'Pedal or lever: travel, sinking'],
      ['parking', 'Parking brake and its cable', CLOSED],
    ],
  },
  {
    id: 'steering',
    name: 'Steering and suspension',
    zone: 'suspension',
    bodies: ROAD,
    caution: 'A compressed spring can kill: the right compressor, and nobody in its line.',
    look: [
      ['wheel-play', 'Play at the wheel or bars'],
      ['joints', 'Ball joints and track rod ends', CLOSED],
      ['box', 'Steering box or rack, its mounting', CLOSED],
      ['springs', 'Springs: broken, tired, cracked leaves'],
      ['dampers', 'Dampers: leaks, how it settles'],
      ['bushes', 'Bushes and rubbers'],
      ['forks', 'Forks: seals, straightness', ['motorcycle']],
    ],
  },
  {
    id: 'wheels',
    name: 'Wheels and tyres',
    zone: 'wheel',
    bodies: ROAD,
    look: [
      ['date', 'Tyre dates and sizes, all alike'],
      ['tread', 'Tread, cuts, cracks in the walls'],
      ['rims', 'Rims, spokes, nuts and studs'],
      ['bearings', 'Bearings: play and noise'],
      ['spare', 'Spare wheel', CLOSED],
    ],
  },
  {
    id: 'driveline',
    name: 'Driveline',
    zone: 'driveline',
    bodies: ROAD,
    caution: 'Nothing turns while a hand is near it: gear out, wheels chocked.',
    look: [
      ['clutch', 'Clutch: bite, travel, leaks'],
      ['gears', 'Does it select every gear and stay there'],
      ['joints', 'Propshaft joints and gaiters', CLOSED],
      ['axle-oil', 'Axle oil: level, water, metal', CLOSED],
      ['chain', 'Chain and sprockets, or shaft', ['motorcycle']],
    ],
  },
  {
    id: 'electrics',
    name: 'Electrics',
    zone: 'electrical',
    bodies: ROAD,
    caution: 'Battery off before wires are moved; a battery that gasses takes no sparks.',
    look: [
      ['battery', 'Battery: age, voltage at rest, its clamp'],
      ['charging', 'Charging'],
      ['lights', 'Every lamp, horn, indicator'],
      ['loom', 'Loom: repairs, brittle insulation, added circuits'],
      ['fuses', 'Fuses: right sizes, none bridged'],
      ['earths', 'Earth straps'],
    ],
  },
  {
    id: 'exhaust',
    name: 'Exhaust',
    zone: 'exhaust',
    bodies: ROAD,
    caution: 'Carbon monoxide: run it outside, or with extraction.',
    look: [
      ['manifold', 'Manifold: cracks, leaks'],
      ['pipes', 'Pipes, silencers, hangers'],
      ['smoke', 'Smoke: colour, when'],
    ],
  },
  {
    id: 'structure',
    name: 'Structure',
    zone: 'structure',
    bodies: CLOSED,
    look: [
      ['pillars', 'Pillars and hinge posts'],
      ['frame', 'Ash frame or inner structure'],
      ['seat-mounts', 'Where seats and belts are bolted'],
      ['square', 'Is it square: diagonals, doors'],
      ['earlier', 'Earlier repairs: plated over, not joined'],
    ],
  },
  {
    id: 'paint',
    name: 'Paint',
    zone: 'paint',
    bodies: ROAD,
    caution: 'Old paint may hold lead, new paint isocyanates: no dry sanding without a mask and extraction.',
    look: [
      ['surface', 'Surface: cracking, blisters, runs'],
      ['colour', 'Colour: original, changed, matched'],
      ['writing', 'Signwriting and lining to be kept'],
    ],
  },
  {
    id: 'gas',
    name: 'Gas',
    zone: 'gas',
    bodies: CLOSED,
    needs: 'gas',
    caution: `Smell first, no flame, no switch. Gas work is for a registered gas fitter only. ${LOCAL}`,
    look: [
      ['locker', 'Locker: sealed inside, vented below'],
      ['hose', 'Hose and regulator: dates'],
      ['appliances', 'Appliances: flue, flame guard'],
      ['alarm', 'Carbon monoxide alarm'],
    ],
  },
  {
    id: 'high-voltage',
    name: 'High voltage',
    zone: 'high voltage',
    bodies: ROAD,
    needs: 'highVoltage',
    caution: `High voltage kills. Isolated, locked off and proved dead by a qualified person before anybody touches orange. ${LOCAL}`,
    look: [
      ['isolator', 'Service disconnect: where, does it come out'],
      ['cables', 'Orange cables: routing, damage'],
      ['casing', 'Battery casing: sealing, dents'],
      ['labels', 'Warning labels'],
    ],
  },
];
