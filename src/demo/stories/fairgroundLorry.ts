import type { DemoBuild } from '../saltmarsh.ts';

export const fairgroundLorry: DemoBuild = {
  nickname: 'fairground lorry',
  vehicleName: 'Osterby showman’s lorry',
  vehicleYear: 1951,
  customerName: 'Sal Pettigrew',
  customerEmail: 'sal@pettigrew.example',
  standard: 'driver',
  tellEveryDays: 14,
  promisedIn: 80,
  parts: [
    'propshaft',
    'centre bearing',
    'chassis splice',
    'generator bed',
    'wheel nuts',
    'steering arm',
    'body bolts',
    'lamp boards',
  ],
  story: `
88 W moved to yard
87 J note shakes from thirty five on, worse loaded, they say since it was lengthened
86 J found chassis splice out of line by half an inch, 180 and twelve hours, safety
85 J found propshaft joints out of phase, angles four degrees front and none behind, 120 and four hours, must
84 J found wheel nuts of three threads, 40 and one hour, safety
82 W told Sal not to carry anybody in it
80 W @estimate lorry
78 W @answer lorry
77 W @letter
75 W @playbook driveline-and-alignment shaft
70 J @worked tyres 2.5 done
60 I @ask-money what=the first instalment; asked=900; due=14
52 I @money-in what=the first instalment; received=900
52 J @worked angles 4.5 done
60 J did wheel nuts matched and torqued, 2h
52 J reading joint angle 4.1 deg front, 0.2 deg rear
45 W @letter
32 W @letter
26 I @ask-money what=the second instalment; asked=700; due=7
24 W @rest customer Sal pays when the fair has been round the islands, back in a month
24 W moved to store
18 W @letter
2 W asked Sal about the instalment again
1 W @next Nothing until the instalment is here; then the splice.
`,
};
