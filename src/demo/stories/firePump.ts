import type { DemoBuild } from '../saltmarsh.ts';

export const firePump: DemoBuild = {
  nickname: 'fire pump',
  vehicleName: 'Penhallick trailer pump engine',
  vehicleYear: 1944,
  customerName: 'Brigid Ames',
  customerEmail: 'brigid@ames.example',
  standard: 'period-correct',
  tellEveryDays: 21,
  parts: [
    'pump casing',
    'impeller',
    'magneto',
    'radiator',
    'priming valve',
    'exhaust primer',
    'delivery valves',
    'trailer hitch',
  ],
  story: `
104 W moved to yard
103 P note engine and pump only, off its trailer, on a pallet
102 P found impeller worn to two thirds, to be cast again, 260 and four hours, must
101 P found magneto weak, 90 and two hours, must
99 W asked Brigid whether the pump shall pump or only run
97 W decided it shall pump, at shows, from a dam
95 W @letter
92 P @piece impeller what=impeller, as pattern; to=make; note=the pattern is the only one
91 P sent impeller to Grist Foundry
90 W waiting on impeller casting from Grist Foundry since yesterday, due in eight weeks
74 P did magneto rewound by Skerry, refitted, 2h
66 W @letter
60 W @batch impeller-old vendor=Grist Foundry; to=machine; pieces=wearrings; due=21; price=80; sent
61 P @piece wearrings what=wear rings; count=2; bag=1; to=machine
40 I @batch-back impeller-old came=wearrings; all
34 W told Brigid the foundry had to pour it twice
33 W resumed impeller casting
33 W waiting on impeller casting from Grist Foundry since today, due in five weeks
30 W @letter
10 W @letter
8 P did priming valve lapped, 3h
7 P @piece casing-p what=pump casing halves; count=2; to=blast; note=faces masked
4 W resumed impeller casting
4 P impeller casting arrived from Grist Foundry
3 J @task close title=Pump casing closed; work=mechanical; hours=3; gate=The impeller turns free in its rings by hand, and the gap is written down
3 J @piece engine-p what=engine; stands=Yard; large
1 W @next The gap, then the casing closed; blasted wet, never dry.
`,
};
