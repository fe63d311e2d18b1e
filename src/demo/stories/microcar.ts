import type { DemoBuild } from '../saltmarsh.ts';

export const microcar: DemoBuild = {
  nickname: 'microcar',
  vehicleName: 'Pipit Three microcar',
  vehicleYear: 1957,
  customerName: 'Ilse Brandt',
  customerEmail: 'ilse@brandt.example',
  standard: 'preserve',
  tellEveryDays: 14,
  promisedIn: 52,
  parts: [
    'hood frame',
    'hood cover',
    'engine cover',
    'rear swing arm',
    'kick start',
    'seat frame',
    'door catch',
    'dynastarter',
    'cable gear change',
    'front brakes',
    'wheel rims',
    'windscreen frame',
  ],
  story: `
172 W moved to store
171 W @told detail=enthusiast; greeting=Guten Tag {name},; also=EUR; rate=1.17; metric=yes
170 W note museum wants every repair to be reversible and marked
168 M found hood frame cracked at both elbows, 70 and four hours, must
168 M @photo ringed irons: left elbow
168 M found hood cover shrunk, not original, 95, should
167 P found dynastarter brushes gone, 35 and two hours, must
166 P found front brake cable frayed, 22 and one hour, safety
166 P @photo cable: frayed at the lever end
164 W asked Ilse whether the hood cover may be replaced
160 W @letter
155 W decided Ilse says yes to a new hood cover, the old one goes back in a box
151 W moved to bay 1
147 P fitted brake cable front, 1.5h
145 P did dynastarter brushes, 2h
144 P reading charging 7.1 V at 2000 rpm
139 W @letter
131 M did seat frame straightened, 3h
126 M found floor pinholes under the battery, 30 and three hours, should
122 M did floor pinholes leaded, 3h
117 W @letter
109 P stripped engine, 4h
108 P reading bore 2.2835 in, piston 2.2795 in
107 P found piston seized once and dressed by hand, 110 and two hours, must
104 I ordered piston and rings from Oldgate Machine Works, 108, due in four weeks
103 W waiting on piston and rings from Oldgate Machine Works since yesterday, due in four weeks
96 W @letter
76 I piston and rings arrived from Oldgate Machine Works
74 P did bore honed to suit, 2h
72 P reading piston clearance 3.5 thou
70 P did engine rebuilt, 7h
66 W @letter
57 P fitted engine, 3h
52 P did carburettor cleaned, 2h
46 W @letter
39 M found wheel rims pitted under the old paint, 60 and four hours, should
37 W decided rims blasted and painted the old cream
35 M did rims blasted and primed, 3h
32 M painted wheel rims, 2h
26 W @letter
19 M sent hood frame to the welder
18 W waiting on hood frame from the welder since yesterday, due next friday
14 I ordered hood cloth from Tern & Sons, 96.50, due in two weeks
11 M did door catch remade, 2h
10 P @piece drums what=brake drums; count=3; bag=4; to=machine
8 P reading timing 0.160 in before top
6 M fitted wheel rims, 1h
4 P did cable gear change adjusted, 1.5h
2 I spent 9.40 on split pins and cable ends
1 W @next Hood frame back from the welder, then the new cover is cut on the car.
`,
};
