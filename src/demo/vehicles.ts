/** What the demo's people wrote down about the vehicles themselves, by the build's nickname. */
import type { IdentityDto } from '#contract/vehicle.ts';
import type { RegisterRows } from '#core/vehicle/registers.ts';

export interface DemoVehicle {
  identity?: Pick<IdentityDto, 'chassisNumber' | 'plate' | 'evidence'> & Partial<IdentityDto>;
  unit?: RegisterRows['unit'][];
  belonging?: RegisterRows['belonging'][];
  provenance?: RegisterRows['provenance'][];
  requirement?: RegisterRows['requirement'][];
}

const open = (text: string): RegisterRows['requirement'] => ({ text, met: false, evidence: '' });
const came = (
  kind: RegisterRows['belonging']['kind'],
  what: string,
  keptAt: string,
): RegisterRows['belonging'] => ({ kind, what, keptAt, givenBack: false });

export const VEHICLES: Record<string, DemoVehicle> = {
  'ice-cream van': {
    identity: {
      chassisNumber: 'DL 61 0288',
      plate: 'SMA 288',
      odometer: 61_240,
      evidence: 'stamped on the offside chassis leg behind the axle; the plate on the bulkhead agrees',
    },
    unit: [
      {
        kind: 'engine',
        number: 'DE 4417',
        papersNumber: 'DE 0288',
        year: 1968,
        evidence: 'cast above the starter, 14 3 68',
      },
      {
        kind: 'gearbox',
        number: 'DG 0291',
        papersNumber: '',
        year: 1961,
        evidence: 'tag under the top cover',
      },
      { kind: 'rear axle', number: '', papersNumber: '', evidence: 'no number found; ratio counted 41 to 8' },
    ],
    belonging: [
      came('loose parts', 'two boxes of trim', 'store, shelf 4'),
      came('loose parts', 'the original chime', 'store, shelf 4'),
      came('documents', 'round book of 1962 and four photographs', 'office'),
    ],
    provenance: [
      {
        component: 'roof cone',
        state: 'original',
        evidence: 'gel coat under three colours matches the 1962 photograph',
        earlierWork: false,
        originalKept: '',
      },
      {
        component: 'front wings',
        state: 'period replacement',
        evidence: 'spot welds doubled, dealer’s tag inside',
        earlierWork: true,
        originalKept: '',
      },
      {
        component: 'freezer cabinet',
        state: 'later replacement',
        evidence: 'plate of 1983',
        earlierWork: true,
        originalKept: 'with the customer',
      },
    ],
    requirement: [
      { text: 'keeps the old signwriting', met: true, evidence: 'masked and left, photographed after paint' },
      open('starts at the hatch without choke after an hour’s stand'),
      open('fits under the lamp at the quay, 2.60 m'),
    ],
  },
  microcar: {
    identity: {
      chassisNumber: 'P3 1177',
      plate: '',
      odometer: 23_411,
      odometerUnit: 'km',
      evidence: 'plate riveted under the seat',
    },
    unit: [
      {
        kind: 'engine',
        number: 'PE 1177',
        papersNumber: 'PE 1177',
        year: 1957,
        evidence: 'stamped on the case',
      },
    ],
    provenance: [
      {
        component: 'hood cover',
        state: 'later replacement',
        evidence: 'wrong grain, machine seams',
        earlierWork: true,
        originalKept: 'lost',
      },
    ],
    requirement: [open('every replaced part goes back to the museum, labelled')],
  },
  camper: {
    identity: {
      chassisNumber: 'DN 79 004411',
      plate: 'SMR 411 T',
      odometer: 148_300,
      evidence: 'bulkhead and door pillar agree',
    },
    belonging: [
      came('keys', 'two keys and the locker key', 'key board, 6'),
      came('documents', 'gas paper of 2014', 'office'),
    ],
  },
};
