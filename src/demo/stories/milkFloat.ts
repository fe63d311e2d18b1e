import type { DemoBuild } from '../saltmarsh.ts';

export const milkFloat: DemoBuild = {
  nickname: 'milk float',
  vehicleName: 'Dairyman Six milk float',
  vehicleYear: 1968,
  customerName: 'Noor Castellan',
  customerEmail: 'noor@castellan.example',
  standard: 'driver',
  tellEveryDays: 14,
  promisedIn: 63,
  parts: [
    'battery boxes',
    'contactor panel',
    'motor mounts',
    'crate deck',
    'cab floor',
    'charger bracket',
    'rear springs',
    'brake shoes',
    'steering box',
    'screen wiper',
    'lamp wiring',
    'canopy',
  ],
  story: `
150 W moved to store
149 P note lead pack taken out in two lifts with the engine crane, isolated and taped first, gloves and goggles
148 P found battery boxes eaten through by acid, 220 and fourteen hours, must
148 P @photo ringed boxes: the middle box, looking down
148 P found contactor tips burnt, 60 and two hours, must
147 P found rear spring second leaf broken nearside, 110 and four hours, safety
147 P @photo ringed spring: second leaf, nearside
145 W told Noor the boxes have to be new whatever pack goes in
143 W decided lithium pack agreed, range of 40 miles asked for
142 W @letter
138 I ordered rear springs from Cobb Springs, 236, due in three weeks
137 I ordered battery modules from Skerry Electrics, 2850, due in six weeks
136 W waiting on battery modules from Skerry Electrics since today, due in six weeks
124 J did battery boxes cut out, 5h
120 J did new battery boxes folded and welded, 9h
118 I rear springs arrived from Cobb Springs
116 J fitted rear springs, 5h
113 W @letter
99 I battery modules arrived from Skerry Electrics
98 P reading module voltages 3.29 V, 3.30 V, 3.29 V, 3.31 V
97 P note pack stays unconnected until the contactor and fuse are in, licensed electrician signs it off
92 P did contactor panel rebuilt, 6h
88 W @letter
80 P fitted motor, 4h
77 P reading insulation 2.1 megohm to chassis
73 P found motor brushes worn to half, 48 and one hour, should
72 W decided brushes done while it is apart
71 I ordered 4 motor brushes from Skerry Electrics, 44, due next wednesday
64 I motor brushes arrived
63 P fitted motor brushes, 1.5h
61 W @letter
50 W moved to blast room
49 M did chassis rear blasted, 4h
48 M primed chassis rear, 1.5h
45 W moved to store
40 W @letter
31 J did crate deck planked, 8h
27 J fitted brake shoes, 3h
25 J found steering box free play 2 in at the rim, 40 and three hours, safety
22 J did steering box adjusted, 2h
21 J reading steering free play 3/4 in at the rim
13 W @letter
12 P fitted charger and interlock, 5h
9 P found charger fan noisy, sent back under guarantee
8 W sent charger to Skerry Electrics
8 W waiting on charger from Skerry Electrics since yesterday, due in two weeks
5 M did cab floor painted, 3h
3 J did lamp wiring, 4h
2 I spent 36.20 on cable and glands
1 W @next Lamps and wipers while the charger is away; first powered move when it is back.
`,
};
