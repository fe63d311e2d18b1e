import type { DemoBuild } from '../saltmarsh.ts';

export const iceCreamVan: DemoBuild = {
  nickname: 'ice-cream van',
  vehicleName: 'Dolcino ice-cream van',
  vehicleYear: 1961,
  customerName: 'Marta Quill',
  customerEmail: 'marta@quill.example',
  standard: 'period-correct',
  tellEveryDays: 14,
  promisedIn: 38,
  parts: [
    'nearside door',
    'offside door',
    'serving hatch',
    'freezer cabinet',
    'roof cone',
    'floor pans',
    'front wings',
    'counter',
    'wiring loom',
    'brake pipes',
    'fuel tank',
    'chime speaker',
  ],
  story: `
178 W moved to yard
176 W note came in on a trailer with two boxes of trim and the original chime, no keys
175 J found front crossmember rotten through at both ends, let in new metal, 180 and eight hours, safety
175 J @photo ringed rail: nearside end of the front crossmember, from below
175 J found brake pipes corroded all round, 95 and five hours, safety
175 J @photo hose: the pipe over the axle
174 J found serving hatch runners worn oval, 40 and two hours, should
174 J @photo ringed runner: lower runner, holes three and four
174 J found chime amplifier dead, valve type, 65 and three hours, nice
173 W @estimate van
172 W asked Marta whether the old signwriting stays or goes
171 W told Marta the crossmember comes first
169 W @answer van
168 W decided crossmember and brakes agreed, chime to wait
168 I @ask-money what=before the metalwork; asked=1200; due=10
162 I @money-in what=before the metalwork; received=1200
167 W @letter
160 W moved to lift 1
158 J did crossmember cut out, 6h
158 W @to crossmember: did crossmember cut out
156 J did new crossmember ends welded in, 7h
156 J @photo new metal after rail: new end welded in, before paint
156 W @to crossmember: did new crossmember ends welded in
155 I ordered brake pipe kit from Tern & Sons, 88.40, due friday
155 W @to brakes: ordered brake pipe kit
150 I brake pipe kit arrived from Tern & Sons
149 J fitted brake pipes, 5h
149 W @to brakes: fitted brake pipes
147 P reading compression 118 psi, 121 psi, 117 psi, 90 psi
146 P found number four exhaust valve burnt, 75 and six hours, must
146 P @photo ringed head: number four, exhaust side
144 W @estimate van-valve
142 W @answer van-valve
140 W @letter
141 J @piece latches what=hatch latches; count=4; bag=1; to=plate
141 W @playbook engine-top-end valve head-face=flat
141 P @worked before 1 done
140 P @worked drain 1.5 done
140 P @worked head-off 2 done
139 P @worked read 2.5 done
138 I ordered exhaust valve and gaskets from Oldgate Machine Works, 112.75, due next week
138 W @to valve: ordered exhaust valve
131 I valve and gaskets arrived
129 P @worked valves 4.5 done
129 P @worked block 1.5 done
128 P @worked head-on 2 done
128 P @worked clearances 1 done
127 P @worked heat 1.5 done
124 P @worked retorque 1.5 done
129 P did head overhauled, 6h
127 P fitted cylinder head, torqued to 45 lb-ft in three steps, 2h
124 P reading compression 122 psi, 121 psi, 120 psi, 121 psi
120 W moved to blast room
118 M did underside blasted, 5h
117 M primed underside the same day, 2h
113 W moved to bay 2
110 W @letter
104 I ordered counter laminate from Tern & Sons, 64, due in two weeks
90 W waiting on laminate since monday, due next friday
82 I laminate arrived from Tern & Sons
82 W resumed counter laminate
80 W @estimate van-more
78 M did counter rebuilt and covered, 9h
71 W decided signwriting stays, touched in by hand
70 W @letter
58 M found offside step rotten behind the trim, 35 and three hours, must
55 M did step let in, 3h
49 I spent 18 on fixings
47 P did freezer cabinet relined, 6h
45 P fitted door seal to freezer cabinet, 1h
40 W @letter
33 I ordered 2 window winders from Tern & Sons, 46.50, due in three weeks
30 W moved to booth
28 M painted lower panels, 8h
27 W @to paint: painted lower panels
26 M found run in the paint on the rear panel, flatted back, two hours, must
26 W @job run in the paint | Body painted in two colours
25 M did rear panel flatted and painted again, 3h
21 W moved to bay 2
11 W @letter
20 I @part pump what=fuel pump kit; number=SK-40; catalogue=the blue maker’s list of 1958; vendor=Cobb Springs; fits=1956-1960; unit=engine; price=38
20 I @part seals what=door seals; quantity=4; number=TS-212; catalogue=Tern & Sons, last year’s; vendor=Tern & Sons; line=paint; price=64
19 I @part-done seals act=order; vendor=Tern & Sons; due=9; cost=52
12 I @part-done seals act=new date; due=18; note=their extruder is down
18 I @part plugs what=sparking plugs; quantity=4; number=P 14; vendor=Tern & Sons; line=valve; price=22; cost=17
18 I @part-done plugs act=arrive; check=right
17 P @part-done plugs act=fit; fate=kept as a pattern
18 I @part hose what=top hose; number=H 7; vendor=Tern & Sons; line=valve; price=14; cost=11
17 I @part-done hose act=order; vendor=Tern & Sons; due=4; cost=11
14 I @part-done hose act=arrive; check=right
6 I @part lens what=indicator lens, left; vendor=Skerry Electrics; source=second-hand
45 J @part striker what=tailgate striker; source=donor vehicle; donor=bread van, yard
45 J @part-done striker act=arrive; check=right
44 J @part-done striker act=fit; fate=scrapped
6 J @part glass what=hatch glass runner; source=donor vehicle; donor=bread van, yard
30 I @part dynamo what=dynamo, exchange; number=DY-9; superseded=DY-11; vendor=Skerry Electrics; price=62; deposit=20
30 I @part-done dynamo act=order; vendor=Skerry Electrics; due=6; price=62
24 I @part-done dynamo act=arrive; check=right
23 P @part-done dynamo act=fit; fate=core to send back
22 I @invoice vendor=Skerry Electrics; number=SE-2291; total=82; ice-cream van dynamo, exchange=82
12 I @invoice vendor=Tern & Sons; number=T 8814; total=31.50; ice-cream van top hose=12.40; carriage=6.50
15 I @ask-money what=paint, the first half; asked=900; due=14; holds=no
13 W @playbook blast-to-paint paint
12 M @worked mask 3.5 done
11 M @worked blast 6 done
11 M @worked etch 3 done
8 M @worked fill 7 go 10
5 M @worked fill 6 go 5
9 M @piece vents what=vent grilles; count=3; bag=6; to=powder coat
12 J did serving hatch hinges, 3h
10 J found tailgate post rotten left side, let in new metal, 60 and four hours, must
10 J @photo ringed panel: foot of the post behind the trim
10 J @photo rail: the same from inside
9 W asked Marta about the tailgate post, 60 and four hours
8 W decided Marta says yes to the tailgate post
6 J did tailgate post let in left side, 4h
5 I ordered 2 rear lamp lenses from Skerry Electrics, 23.80, due next friday
4 W waiting on rear lamp lenses from Skerry Electrics since monday, due friday
4 W @snag front: badge sits crooked
4 W @snag right side: door gap opens towards the sill
4 W @snag inside: freezer lid drags on its left hinge
3 M @trial the serving hatch | left side: runner stands proud | roof and glass: gutter lip catches the top edge
2 M @right runner stands proud
3 M fitted window winders, 1.5h
2 I spent 12.60 on chrome screws
1 I @correct spent 12.60 on chrome screws => spent 16.20 on chrome screws
1 J did wiring to the chime, 2h
1 W @next Chime back in and tried, then the rear lamps, then a drive round the marsh.
`,
};
