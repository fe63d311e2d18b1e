import type { DemoBuild } from '../saltmarsh.ts';

export const camper: DemoBuild = {
  nickname: 'camper',
  vehicleName: 'Dunlin camper van',
  vehicleYear: 1979,
  customerName: 'Tove Sandal',
  customerEmail: 'tove@sandal.example',
  standard: 'driver',
  tellEveryDays: 14,
  promisedIn: 17,
  parts: [
    'gas locker',
    'heater duct',
    'rear bench',
    'elevating roof',
    'water tank',
    'sliding door',
    'outer sills',
    'exhaust',
    'leisure battery',
    'roof canvas',
    'cooker',
    'kitchen unit',
  ],
  story: `
134 W moved to yard
133 J found cab heater draws its air from the engine bay, carbon monoxide risk, 160 and six hours, safety
133 J found gas locker has no drop-out vent, 45 and three hours, safety
132 J found gas hose dated twelve years ago, 24 and one hour, safety
132 J @photo hose: cracked where it bends
131 J found outer sills rotten both sides, 190 and sixteen hours, must
131 J @photo ringed rail: nearside outer sill
130 J found elevating roof canvas torn, 150 and five hours, nice
130 J @photo ringed canvas: rear seam
130 J did water on the windscreen and the roof for ten minutes, dry inside
130 J did water along the nearside sill, carpet wet within two minutes
130 J @photo rail: where the water comes in, behind the sill
129 J @symptom The carpet is wet on the left | ruled out: did water on the windscreen | cause: found outer sills | proof: did water along the nearside sill
129 W told Tove not to use the heater or the gas, and why
128 W @estimate camper
127 W asked Tove what to do about the heater
124 W decided heater out and a sealed one in, roof canvas put off
125 W @answer camper
123 W @letter
119 W moved to lift 1
119 W @asks Tove: Can I have the old heater back? I should like to look at it.
118 W @answers You can: it is bagged with your name on it. Please do not fit it to anything that people sleep in.
118 J did old heater taken out and the opening plated, 4h
118 W @to heater: did old heater taken out
115 I ordered sealed heater from Skerry Electrics, 540, due in three weeks
115 W @to heater: ordered sealed heater
114 W waiting on sealed heater from Skerry Electrics since yesterday, due in three weeks
108 J did nearside sill let in, 8h
108 J @photo new metal after rail: the nearside sill, seam ground flush
108 W @to sills: did nearside sill let in
101 J did offside sill let in, 8h
101 W @to sills: did offside sill let in
99 W @letter
97 W @asks Tove: Is the heater there yet?
96 W @answers Not yet. It is on order and due in two weeks; I shall write when it is here.
94 W @asks Tove: And now?
93 W @answers It left the supplier yesterday.
92 I sealed heater arrived from Skerry Electrics
89 J fitted sealed heater, 6h
89 W @to heater: fitted sealed heater
88 W note gas side is for the registered gas fitter only, booked
85 I ordered gas hose and regulator from Tern & Sons, 41.30, due thursday
85 W @to locker: ordered gas hose and regulator
80 I gas hose and regulator arrived
76 W @letter
68 W note gas fitter here, pressure test held, certificate in the file
68 W @paper Pressure test of the gas side: Held for the whole of the test, no fall. Hose and regulator new. Signed by the registered gas fitter who did it.
66 J did gas locker vented and sealed, 3h
66 W @to locker: did gas locker vented
59 W moved to yard
55 M did sills seam sealed and undersealed, 5h
55 W @to sills: did sills seam sealed
53 W @letter
44 P found clutch cable stiff, 18 and one hour, should
43 P fitted clutch cable, 1h
38 P reading leisure battery 12.1 V at rest
37 P found leisure battery tired, 85, should
34 W decided battery agreed
33 I ordered leisure battery from Skerry Electrics, 84, due monday
30 W @letter
28 I leisure battery arrived from Skerry Electrics
27 P fitted leisure battery, 1h
19 M did sliding door track cleaned and set, 3h
9 W @letter
13 M painted sills and lower panels, 6h
11 J found sliding door runner roller cracked, 16 and one hour, must
10 I ordered sliding door roller, 15.75, due friday
7 I sliding door roller arrived
6 J fitted sliding door roller, 1h
3 M did kitchen unit refitted, 3h
2 J reading carbon monoxide 0 ppm in the cab, heater running twenty minutes
1 J @symptom The heater smells | cause: found cab heater | proof: reading carbon monoxide
1 I spent 7.20 on trim clips
1 W @book costs=yes
1 W @asks Tove: May I fetch it on Friday, or is Saturday better?
1 W @next Clean it, a road test over the hill, and it can go home.
2 W moved to lift 1
2 W @playbook brake-overhaul -
0 P @at raise
`,
};
