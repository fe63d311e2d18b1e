import type { DemoBuild } from '../saltmarsh.ts';

export const surfBus: DemoBuild = {
  nickname: 'hearse',
  vehicleName: 'Harrow & Vane hearse',
  vehicleYear: 1966,
  customerName: 'Dex Marlow',
  customerEmail: 'dex@marlow.example',
  standard: 'driver',
  tellEveryDays: 14,
  parts: [
    'deck rollers',
    'side glass',
    'board racks',
    'rear seats',
    'air springs',
    'roof rails',
    'tail door',
    'bulkhead',
    'floor slats',
    'radiator',
    'propshaft',
    'front seats',
  ],
  story: `
120 W moved to yard
119 J found radiator blocked half way up, 130 and four hours, must
119 J found propshaft centre bearing worn, 55 and two hours, must
118 M found side glass delaminating offside, 240, should
116 W asked Dex how many boards and how many people
113 W decided four boards on the old deck rollers, four seats with belts
112 W @letter
106 W note seat belt mountings go through the frame with spreader plates, checked before trim goes in
103 M did deck rollers taken out and numbered, 3h
98 I sent radiator to Oldgate Machine Works
97 W waiting on radiator from Oldgate Machine Works since yesterday, due in two weeks
90 W @letter
83 I radiator is back from Oldgate Machine Works
82 J fitted radiator, 2h
80 I spent 128 on the radiator core
77 J fitted centre bearing, 2h
72 M did spreader plates made and welded, 5h
69 W @letter
61 M did rear seat frames made, 8h
55 I ordered 4 seat belts from Tern & Sons, 164, due in a week
48 I 4 seat belts arrived from Tern & Sons
46 M fitted seat belts, 3h
44 W @letter
36 J found offside front wheel bearing rough, 32 and two hours, safety
35 J fitted wheel bearing offside front, 2h
31 I ordered side glass from Marram Glass, 238, due in five weeks
30 W waiting on side glass from Marram Glass since yesterday, due in five weeks
11 W @letter
17 M did board racks trial fitted, 4h
13 P did air spring lines run, 5h
12 P reading air spring 62 psi left, 61 psi right, overnight
9 P found compressor relay sticks, 14 and one hour, should
7 P fitted compressor relay, 1h
5 M did floor slats varnished, 3h
4 W asked Dex whether the curtains stay
2 M did rear seats covered in the old purple, 6h
5 I @part rubber what=screen rubber; number=TS-88; vendor=Tern & Sons; price=41
5 I @part-done rubber act=found
4 I @part-done rubber act=order; vendor=Tern & Sons; due=9; price=41
4 I @part hinge what=tail door hinge; source=donor vehicle; donor=grey hearse, hedge at the back of the yard; where=left hinge still on it
2 J @part-done hinge act=arrive; check=right
1 J @part-done hinge act=fit; fate=scrapped
3 W @playbook blast-to-paint -
3 W moved to blast room
3 M @worked mask 2 done
119 M @piece latches-h what=coffin deck latches; count=6; bag=2; to=plate
16 M @piece racks what=rack irons; count=6; bag=5; to=plate
15 I @batch plate-4 vendor=Halcyon Platers; to=plate; pieces=hood-screws,racks,latches-h; due=9; price=84; sent
6 I @batch-day plate-4 due=6
4 M @piece springplates what=air spring plates; count=4; bag=6; to=blast; note=bolts to be kept with them
3 M @piece rollers what=deck rollers; count=22; to=powder coat
2 M @piece handles what=tail door handles; count=2; bag=8
1 W @next Side glass when Marram sends it; racks and slats go in behind it.
0 J @worked blast 3 done
`,
};
