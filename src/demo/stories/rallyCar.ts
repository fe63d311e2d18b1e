import type { DemoBuild } from '../saltmarsh.ts';

export const rallyCar: DemoBuild = {
  nickname: 'rally car',
  vehicleName: 'Corrigan 1500 rally replica',
  vehicleYear: 1974,
  customerName: 'Anselm Roach',
  customerEmail: 'anselm@roach.example',
  standard: 'race',
  tellEveryDays: 7,
  promisedIn: 24,
  parts: [
    'roll cage',
    'seat mounts',
    'front struts',
    'rear axle',
    'fuel cell',
    'sump guard',
    'spot lamp bracket',
    'dashboard',
    'gearbox',
    'brake servo',
    'exhaust',
    'engine bay',
  ],
  story: `
165 W moved to lift 2
164 W note event is fixed, scrutineering the evening before, no second chance
163 P found offside inner wing cracked at the strut top, 140 and nine hours, safety
163 P found gearbox jumps out of third, 220 and eight hours, must
162 P found seat belts out of date, 190, safety
162 W @estimate rally
161 W @answer rally
160 W decided all three agreed
159 W @letter
152 P did inner wing plated and seam welded, 9h
148 I ordered harness pair from Tern & Sons, 188, due in ten days
140 I harness pair arrived from Tern & Sons
133 P stripped gearbox, 4h
132 P found third gear synchro ring cracked, 85 and one hour, must
132 W @job third gear synchro ring | Gearbox rebuilt
132 P @photo ringed ring: cracked right through
130 I ordered synchro ring from Oldgate Machine Works, 82.50, due in three weeks
129 W waiting on synchro ring from Oldgate Machine Works since yesterday, due in three weeks
121 W @letter
108 I synchro ring arrived from Oldgate Machine Works
107 P did gearbox rebuilt, 7h
105 P reading gearbox end float 4 thou
104 P @correct reading gearbox end float 4 thou => reading gearbox end float 6 thou
104 P fitted gearbox, 3h
100 W @letter
92 J did cage feet plates welded in, 6h
86 J did cage tacked in, 8h
84 W asked Anselm whether the cage is to be painted white or body colour
80 W decided cage white
79 W @letter
70 W moved to booth
68 M painted cage and floor, 7h
63 W moved to lift 2
60 I spent 240 on fuel cell foam and fittings
57 J fitted fuel cell, 5h
56 J note fuel cell vent goes outside, drained fuel kept in a sealed can, no hot work near it
50 W @letter
44 P found rear axle leaking at the offside seal, 28 and two hours, must
42 P fitted axle seal offside rear, 2h
37 P reading camber -1.5 deg left, -1.25 deg right
33 I ordered 4 wheel studs from Cobb Springs, 22, due next tuesday
27 I 4 wheel studs arrived
26 P fitted wheel studs, 1h
24 W @playbook gearbox-rebuild gearbox
24 J @worked drive 1 done
23 J @worked out 5.5 done
22 J @pinned gearbox out, propeller shaft off | gearbox back in, a day
22 W @letter
15 P did front struts set, 3h
14 P reading front camber -1.75 deg both sides
13 W @letter
12 J @worked strip 4 done
12 J @piece box what=gearbox case; stands=Fabrication table; note=bare, on its stand
11 J @worked read 2 done
10 I @part synchro what=synchromesh rings; quantity=3; number=GB-3; vendor=Oldgate Machine Works; price=96
10 I @part bearing what=layshaft bearings; quantity=2; number=6205; vendor=Tern & Sons; price=24
10 I @part-done bearing act=found
9 I @part-done synchro act=order; vendor=Oldgate Machine Works; due=5; price=96
4 I @part-done synchro act=arrive; check=faulty when tested; note=two of three will not hold on the cone
4 I @photo ring: the one on the left, on the cone
9 J @piece casing what=gearbox casing; to=machine; for=build; note=bearing seats to be sleeved
9 J @photo ring: the worn seat
8 I @batch machine-1 vendor=Oldgate Machine Works; to=machine; pieces=casing,drums; due=12; price=145; sent
9 J found spot lamp bracket fouls the bonnet catch, two hours, should
8 J did spot lamp bracket remade, 2.5h
6 W @letter
5 I ordered scrutineering decals, 14.50, due friday
4 P found brake pedal long after bleeding, master cylinder suspected, 95 and three hours, safety
3 W told Anselm on the telephone about the master cylinder
3 W waiting on Anselm to say yes to the master cylinder since today
2 J did dashboard switches labelled, 1.5h
2 J @voice The clutch slave weeps a little when it is cold. I wiped it dry, we look again on Friday.
1 M @at case
1 W @next Master cylinder as soon as Anselm says yes; then bleed, then a shake-down on the old airfield.
2 W @estimate rally-lamps
`,
};
