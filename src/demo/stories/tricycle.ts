import type { DemoBuild } from '../saltmarsh.ts';

export const tricycle: DemoBuild = {
  nickname: 'tricycle',
  vehicleName: 'Marrable carrier tricycle',
  vehicleYear: 1927,
  customerName: 'Osric Vane',
  customerEmail: 'osric@vane.example',
  standard: 'preserve',
  tellEveryDays: 30,
  parts: ['front box', 'fork head', 'rear hub', 'chain', 'mudguards', 'saddle'],
  story: `
64 W moved to store
63 P note from the cellar of a museum, nothing may be thrown away, not even the grease
62 P found frame cracked at the seat lug, 35 and five hours, safety
61 P found rear rim eaten through at two spokes, 48 and three hours, must
60 W told Osric the lug is brazed only once the enamel around it is photographed
58 W @letter
50 P did seat lug brazed from inside, 5h
44 P ordered wheel rim from Tern & Sons, 46, due in six weeks
40 P did hub stripped, washed, greased and numbered, 3h
30 W @letter
12 P did front box hinges freed, 2h
2 M @task prime title=Frame primed; work=paint; hours=2
2 M @task coat title=Enamel brushed on; work=paint; hours=6; after=prime; why=it hardens before it is rubbed down; rest=24
0 W @worked prime 1 done
1 W @next Rim, when it comes; until then the enamel, thin coats, a day between.
`,
};
