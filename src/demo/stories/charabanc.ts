import type { DemoBuild } from '../saltmarsh.ts';

export const charabanc: DemoBuild = {
  nickname: 'charabanc',
  vehicleName: 'Harrow & Vane charabanc',
  vehicleYear: 1929,
  customerName: 'Jory Penhale',
  customerEmail: 'jory@penhale.example',
  standard: 'period-correct',
  tellEveryDays: 14,
  promisedIn: 120,
  parts: [
    'seat frames',
    'hood bows',
    'steps',
    'brass lamps',
    'wheel spokes',
    'dash board',
    'side curtains',
    'horn',
  ],
  story: `
72 W moved to yard
71 J found three spokes loose in the offside rear wheel, 140 and ten hours, safety
70 M found hood bows split, 110 and nine hours, must
68 W asked Jory how many people it shall carry
66 W decided fourteen and no more, belts for none, thirty miles an hour
65 W @letter
58 J sent offside rear wheel to the wheelwright
57 W waiting on offside rear wheel from the wheelwright since yesterday, due in eight weeks
50 W @letter
36 W @letter
30 M @piece lamps what=brass lamps; count=5; bag=3; to=plate; note=nickel, not chrome
22 W @letter
14 M did seat frames glued and pegged, 9h
8 W @letter
5 W asked Jory which cloth, three samples sent
3 W decided Jory takes the oxblood cloth
3 W @playbook interior-trim -
3 M did hood bows laminated, 8h
1 W @next Covers, when Petra is back; the bows are in the cramps until Thursday.
`,
};
