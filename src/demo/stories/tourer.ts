import type { DemoBuild } from '../saltmarsh.ts';

export const tourer: DemoBuild = {
  nickname: 'tourer',
  vehicleName: 'Merrow amphibious tourer',
  vehicleYear: 1962,
  customerName: 'Linnea Holt',
  customerEmail: 'linnea@holt.example',
  standard: 'driver',
  tellEveryDays: 14,
  promisedIn: 45,
  parts: [
    'rear axle',
    'propeller tunnel',
    'bilge pump',
    'hull seams',
    'door seals',
    'wheel bearings',
    'gearbox drain',
    'rudder linkage',
  ],
  story: `
96 W moved to yard
95 J found lake water in both axles, oil the colour of milk, 60 and six hours, must
95 J found hull seam open under the nearside rear seat, 40 and five hours, safety
94 J found bilge pump seized, 85 and one hour, safety
92 W asked Linnea whether it shall swim again or only look like it
90 W decided Linnea wants it to swim, once a year at the regatta
88 W @letter
80 J did axles drained, flushed three times, left open to dry, 4h
74 I ordered axle seal kit from Cobb Springs, 71, due in two weeks
60 I axle seal kit arrived from Cobb Springs
58 J fitted axle seals, 6h
55 J reading axle oil clear after a night
46 M did hull seam cleaned out, welded and sealed, 7h
44 W @letter
40 J note hull welded only after the tank was out and the bilge was aired, gas meter read zero
30 J fitted bilge pump, 1h
22 M painted hull inside, 4h
20 W @letter
13 J did door seals renewed, 3h
6 W @letter
4 W waiting on a dry spell for the float test, due next friday
1 W @next Float test on the first dry day: two people, life jackets, the pond, not the sea.
`,
};
