import type { DemoBuild } from '../saltmarsh.ts';

export const estate: DemoBuild = {
  nickname: 'estate',
  vehicleName: 'Wyverton ash-framed estate',
  vehicleYear: 1953,
  customerName: 'Hugh Pellow',
  customerEmail: 'hugh@pellow.example',
  standard: 'preserve',
  tellEveryDays: 21,
  parts: [
    'tailgate',
    'ash rail',
    'nearside pillar',
    'offside pillar',
    'roof slats',
    'rear doors',
    'waist rail',
    'load floor',
    'hinge posts',
    'quarter panels',
    'headlining',
    'rear bumper',
  ],
  story: `
181 W moved to bay 3
180 M found nearside bottom rail rotten to the pillar, 260 and thirty hours, must
180 M @photo rail: soft to the pillar
180 M found offside bottom rail soft for eight inches, 90 and twelve hours, must
179 M found roof canvas leaking at the rear corners, 120 and seven hours, should
177 W told Hugh it is the frame first and the looks afterwards
175 W decided keep every piece of old ash that is sound
174 W @letter
170 I ordered ash boards from Tern & Sons, 340, due in a fortnight
156 I ash boards arrived from Tern & Sons
150 M did nearside bottom rail patterned and cut, 9h
147 M did nearside bottom rail jointed, 8h
141 M fitted nearside bottom rail, 6h
140 M reading moisture 11 percent in the new ash
138 W @letter
126 M did offside rail scarfed in, 7h
119 M found hinge post split behind the old screws, 45 and five hours, must
115 M did hinge post splinted and glued, 5h
112 W @letter
97 I @correct ordered 12 brass screws => ordered 24 brass screws from Tern & Sons, 31.20, due friday
98 I ordered 12 brass screws from Tern & Sons, 31.20, due friday
93 I brass screws arrived
88 M did waist rail steamed and bent, 8h
84 W @letter
75 J found handbrake cable seized, 30 and two hours, safety
74 J did handbrake cable freed off and greased, 2h
66 M fitted rear doors, 5h
63 M found sliding glass cracked in the corner, 85, should
60 I ordered sliding glass from Marram Glass, 82, due in two weeks
57 W @letter
45 W waiting on sliding glass from Marram Glass since yesterday, expected next week
38 W told Hugh the glass is late and why
39 W resumed sliding glass, theirs broke and a new one is being cut
36 I ordered sliding glass again from Marram Glass, due in five weeks
36 W waiting on sliding glass from Marram Glass since today, due in five weeks
35 W @letter
29 M did varnish on the rails, third coat, 6h
25 M did headlining bows fitted dry, 4h
20 P did carburettor cleaned and set, 3h
18 P reading idle 650 rpm
15 W @letter
11 M found roof canvas will not stretch over the new rail, needs a new one, 210 and nine hours, must
11 M @photo canvas: short by two inches at the corner
10 W asked Hugh about the roof canvas, 210 and nine hours
9 W @estimate estate-roof
7 M did tailgate hung and gapped, 6h
4 I spent 27 on varnish and brushes
3 M did waist rail plugs cut flush, 2h
2 W @next The glass, when it comes; meanwhile the tailgate catches and the load floor slats.
4 I @part strip what=gutter strip; number=TS-41; vendor=Tern & Sons; price=19
4 I @part-done strip act=found
`,
};
