import type { DemoBuild } from '../saltmarsh.ts';

export const airportTug: DemoBuild = {
  nickname: 'airport tug',
  vehicleName: 'Pell & Sons baggage tug',
  vehicleYear: 1958,
  customerName: 'Mireille Duch',
  customerEmail: 'mireille@duch.example',
  standard: 'show',
  tellEveryDays: 14,
  promisedIn: 33,
  parts: ['bonnet', 'seat', 'tow hooks', 'wheels', 'charger', 'controller', 'lamps', 'bumper board'],
  story: `
58 W moved to yard
57 M note has to stand on a show stand, 1.20 m by 2.80 m, 900 kg with everything
56 M found bonnet dented all over, 90 and eight hours, should
55 P found controller contacts burnt, 70 and three hours, must
53 W asked Mireille for the colour of the stand
50 W decided traffic yellow, satin, the number back on in black
48 W @letter
44 M did bonnet beaten out, 8h
38 P did controller contacts dressed and set, 3h
36 W @letter
30 M did body filled and flatted, 6h
24 M primed body, 2h
22 W @letter
14 P reading weight 905 kg with the old battery
12 P ordered lighter battery from Skerry Electrics, 640, due in three weeks
8 W @letter
6 W waiting on the ice-cream van to leave the booth side of bay 2, due next friday
1 W @next Into the booth as soon as there is room to turn it.
`,
};
