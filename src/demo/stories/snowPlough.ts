import type { DemoBuild } from '../saltmarsh.ts';

export const snowPlough: DemoBuild = {
  nickname: 'snow plough',
  vehicleName: 'Fell Road plough lorry',
  vehicleYear: 1968,
  customerName: 'Parish of Overfell',
  customerEmail: 'clerk@overfell.example',
  standard: 'driver',
  tellEveryDays: 7,
  promisedIn: 12,
  parts: ['plough frame', 'ram', 'hose ends', 'salt hopper', 'cab step', 'beacon'],
  story: `
34 W moved to lift 1
3 W moved to yard
33 J found lifting ram weeping at the gland, 60 and three hours, must
33 J found hose ends cracked, 45 and one hour, safety
32 W @letter
30 J note plough is propped on stands before anybody is under it, ram let down, never trusted
28 J did ram gland packed, 3h
26 I ordered hose set from Tern & Sons, 118, due in a week
25 W @letter
19 I hose set arrived from Tern & Sons
18 J @part hoses what=hydraulic hoses; quantity=4; number=HS-4; vendor=Tern & Sons; price=118
18 J @part-done hoses act=arrive; check=faulty when tested; note=two swell under pressure; broke=cab floor paint, stripped by the oil; lost=3
18 W @letter
11 W @letter
10 J @part-done hoses act=send back; note=Tern sends others
9 J @part-done hoses act=take up again
9 I @part-done hoses act=order; vendor=Tern & Sons; due=4; price=118
5 I @part-done hoses act=new date; due=2; note=their van broke down
4 W @letter
1 W @next Hoses, bleed, lift ten times with the blade on. It must be gone before the first snow.
`,
};
