/** Saltmarsh Coachworks: a made-up shop by the sea, with made-up people, vendors and vehicles. */
import type { Role } from '#contract/access.ts';
import type { Standard } from '#core/log/standards.ts';
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

export const PLACES: { name: string; kind: PlaceKind }[] = [
  { name: 'Lift 1', kind: 'lift' },
  { name: 'Lift 2', kind: 'lift' },
  { name: 'Bay 1', kind: 'bay' },
  { name: 'Bay 2', kind: 'bay' },
  { name: 'Bay 3', kind: 'bay' },
  { name: 'Booth', kind: 'booth' },
  { name: 'Blast room', kind: 'blast room' },
  { name: 'Fabrication table', kind: 'bench' },
  { name: 'Trim bench', kind: 'bench' },
  { name: 'Yard', kind: 'yard' },
  { name: 'Store', kind: 'store' },
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
