/** Saltmarsh Coachworks: a made-up shop by the sea, with made-up people, vendors and vehicles. */
import type { Role } from '#contract/access.ts';
import type { Standard } from '#core/log/standards.ts';
import type { Spot } from '#core/plan/floorPlan.ts';
import type { PlaceKind } from '#core/shop/places.ts';

export const SHOP = {
  shopName: 'Saltmarsh Coachworks',
  currency: 'GBP',
  units: 'imperial' as const,
  locale: 'en-GB',
  timeZone: 'Europe/London',
};

/** The letter in front of a story's line says who wrote it. */
export const PEOPLE: { key: string; name: string; email: string; role: Role }[] = [
  { key: 'W', name: 'Wren Osgood', email: 'wren@saltmarsh.example', role: 'owner' },
  { key: 'I', name: 'Ida Fenn', email: 'ida@saltmarsh.example', role: 'office' },
  { key: 'J', name: 'Joss Arkwright', email: 'joss@saltmarsh.example', role: 'technician' },
  { key: 'M', name: 'Milo Tarrant', email: 'milo@saltmarsh.example', role: 'technician' },
  { key: 'P', name: 'Petra Vosk', email: 'petra@saltmarsh.example', role: 'technician' },
];

/** For signing in by hand; one press does the same. */
export const DEMO_PASSWORD = 'saltmarsh-demo';

/** As they lie: bays along the street, lifts behind them, paint at the back, the yard in front. */
export const PLACES: { name: string; kind: PlaceKind; spot: Spot }[] = [
  { name: 'Lift 1', kind: 'lift', spot: { x: 0, y: 0, w: 4, h: 4 } },
  { name: 'Lift 2', kind: 'lift', spot: { x: 4, y: 0, w: 4, h: 4 } },
  { name: 'Bay 1', kind: 'bay', spot: { x: 0, y: 5, w: 4, h: 4 } },
  { name: 'Bay 2', kind: 'bay', spot: { x: 4, y: 5, w: 4, h: 4 } },
  { name: 'Bay 3', kind: 'bay', spot: { x: 8, y: 5, w: 4, h: 4 } },
  { name: 'Booth', kind: 'booth', spot: { x: 13, y: 0, w: 5, h: 4 } },
  { name: 'Blast room', kind: 'blast room', spot: { x: 19, y: 0, w: 5, h: 4 } },
  { name: 'Fabrication table', kind: 'bench', spot: { x: 13, y: 5, w: 5, h: 3 } },
  { name: 'Trim bench', kind: 'bench', spot: { x: 19, y: 5, w: 5, h: 3 } },
  { name: 'Yard', kind: 'yard', spot: { x: 0, y: 10, w: 14, h: 4 } },
  { name: 'Store', kind: 'store', spot: { x: 15, y: 9, w: 9, h: 5 } },
];

export const VENDORS = [
  'Tern & Sons',
  'Halcyon Platers',
  'Grist Foundry',
  'Marram Glass',
  'Oldgate Machine Works',
  'Cobb Springs',
  'Skerry Electrics',
];

export interface DemoBuild {
  nickname: string;
  vehicleName: string;
  vehicleYear: number;
  customerName: string;
  customerEmail: string;
  standard: Standard;
  tellEveryDays: number;
  /** Days from today to the promise, if there is one. */
  promisedIn?: number;
  /** Parts whose routine work fills the months between the story's own lines. */
  parts: string[];
  story: string;
}
