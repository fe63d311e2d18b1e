import type { DemoBuild } from '../saltmarsh.ts';

export const drophead: DemoBuild = {
  nickname: 'drophead',
  vehicleName: 'Marlin Bay drophead',
  vehicleYear: 1949,
  customerName: 'Ruan Teague',
  customerEmail: 'ruan@teague.example',
  standard: 'show',
  tellEveryDays: 30,
  parts: [
    'door skins',
    'hood irons',
    'bumper irons',
    'grille shell',
    'running boards',
    'front seats',
    'boot lid',
    'scuttle',
    'bonnet sides',
    'window frames',
    'carpets',
    'instruments',
  ],
  story: `
183 W moved to yard
182 W note Ruan is at sea, pays when in port, mail reaches him about once a month
182 W @told detail=brief
181 P found king pins worn, 160 and ten hours, safety
181 M found door skins stretched over old filler, 120 and twenty hours, must
180 M found hood irons bent, six hours, should
180 M @photo irons: bent, and split at the first elbow
178 W @letter
171 I ordered king pin set from Oldgate Machine Works, 158, due in three weeks
169 I sent bumper irons to Halcyon Platers
168 W waiting on bumper irons from Halcyon Platers since yesterday, due in eight weeks
150 I king pin set arrived from Oldgate Machine Works
147 P fitted king pins, reamed to size, 9h
146 P reading king pin clearance 1.5 thou
144 W @letter
130 M did nearside door skin made, 11h
122 M did offside door skin made, 10h
113 I bumper irons arrived from Halcyon Platers
112 I spent 410 on plating
110 M note one bumper iron came back with a pit, photographed, taken up with the platers
108 W @letter
95 M did doors hung and gapped, 8h
90 M reading door gaps 4 mm front, 4 mm rear, 5 mm bottom
78 P found clock and ammeter dead, 70 and four hours, nice
76 W asked Ruan about the clock, 70 and four hours
70 W @letter
62 W waiting on money from Ruan since last week, in port next month
50 W moved to store
41 W told Ruan by mail where it stands and what is owed
40 W decided Ruan says yes to the clock, paid to date
39 W resumed money from Ruan
38 W moved to yard
37 W @letter
30 P sent clock to the instrument maker
29 W waiting on clock from the instrument maker since yesterday, due in six weeks
22 M did scuttle filled and flatted, 7h
16 M found grille shell dented behind the badge, three hours, should
14 M did grille shell knocked out, 3h
10 M primed doors and scuttle, 5h
6 P did window frames trial fitted, 4h
3 M did bonnet sides gapped, 5h
140 M @piece gutters what=drip gutters; count=2; bag=3; to=plate
139 I @batch plate-1 vendor=Halcyon Platers; to=plate; pieces=gutters,latches; due=10; price=64; sent
128 I @batch-back plate-1 came=gutters,latches; all
127 M @piece gutters-on what=window channel screws; count=48; bag=4; to=plate
92 M @piece screws what=hood irons bolts; count=16; bag=7; to=plate
91 I @batch plate-2 vendor=Halcyon Platers; to=plate; pieces=screws,gutters-on; due=10; price=38; sent
74 I @batch-back plate-2 came=screws,gutters-on; all
60 M @piece knobs what=window winder handles; count=4; bag=9; to=plate
59 I @batch plate-3 vendor=Halcyon Platers; to=plate; pieces=knobs; due=10; price=30; sent
45 I @batch-back plate-3 came=knobs; all
34 M @piece overriders what=bumper over-riders; count=4; bag=10; to=chrome; note=no others are to be had
34 M @photo irons: all four on the bench
33 M @piece badge what=grille badge; bag=11; to=chrome; note=cast by hand, the only one
32 I @batch chrome-1 vendor=Halcyon Platers; to=chrome; pieces=overriders,badge; due=14; price=180; sent
12 I @batch-back chrome-1 came=overriders; all
19 M @piece hood-screws what=hood iron pins; count=8; bag=14; to=plate
13 M @piece clips what=bonnet clips; count=4; bag=15; to=plate
1 W @next Second primer, guide coat, then the long flatting.
`,
};
