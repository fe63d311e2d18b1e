import type { DemoBuild } from '../saltmarsh.ts';

export const breadVan: DemoBuild = {
  nickname: 'bread van',
  vehicleName: 'Dolcino bread van',
  vehicleYear: 1964,
  customerName: 'Ottoline Crewe',
  customerEmail: 'ottoline@crewe.example',
  standard: 'driver',
  tellEveryDays: 14,
  parts: ['rear doors', 'shelves', 'floor', 'fuel pump', 'wings', 'steps'],
  story: `
76 W moved to yard
75 J found floor gone from the wheel arches back, 220 and fourteen hours, safety
74 W note given up by its owner for parts, half of it may go to others, a list is kept
70 W decided Ottoline sells what the ice-cream van needs, the rest waits for a new floor
68 W @letter
60 J stripped tailgate and hinges for the ice-cream van, 2h
54 M @pinned front axle out for its springs | axle back in on the old springs, half a day
47 W asked Ottoline which of the shelves she wants back, and whether the name on the side may be photographed
46 W waiting on Ottoline's answer about the shelves since yesterday
40 W @letter
33 I note telephoned Ottoline, no answer, message left
26 W asked Ottoline about the shelves again
26 W @letter
19 I note telephoned Ottoline twice this week, no answer
16 W @rest shop no room and no hands before the spring
12 W @letter
1 W @next Stays in the yard until the spring.
`,
};
