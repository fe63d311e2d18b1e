import type { DemoBuild } from '../saltmarsh.ts';

export const ambulance: DemoBuild = {
  nickname: 'ambulance',
  vehicleName: 'Harrow Vale county ambulance',
  vehicleYear: 1966,
  customerName: 'Hedda Lumley',
  customerEmail: 'hedda@lumley.example',
  standard: 'driver',
  tellEveryDays: 14,
  parts: [],
  story: `
168 M found rear step rotten at both brackets, 85 and five hours, must
167 M found bell seized on its spindle, 20 and one hour, nice
166 W asked Hedda about the step and the bell
164 W decided both, and the red lining left as it is
161 W @letter
150 M did rear step brackets made new and welded in, 5h
147 P did bell freed, cleaned and hung, 1h
145 P ordered step rubber from Tern & Sons, 38, due in a week
139 P step rubber arrived
138 M fitted step rubber, half an hour
132 P reading charging voltage 14.2 V at the battery
131 W @letter
129 W @home collected by Hedda, with both keys and the old brackets
`,
};
