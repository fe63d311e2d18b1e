/** A shop of eight cars that is spoken of in tests. Made up. Day: Wednesday 11 March 2026; money: GBP. */
import type { ReaderContext } from '#core/reader/index.ts';

const CARS = [
  { id: 'van', name: 'ice-cream van', aliases: ['B-0001', 'Marta Quill'], customer: 'Marta Quill' },
  { id: 'rally', name: 'rally car', aliases: ['B-0002', 'Ilse Brandt'], customer: 'Ilse Brandt' },
  { id: 'estate', name: 'estate', aliases: ['B-0003', 'Hugh Pellow'], customer: 'Hugh Pellow' },
  { id: 'float', name: 'milk float', aliases: ['B-0004'] },
  { id: 'micro', name: 'microcar', aliases: ['B-0005'], customer: 'Ilse Brandt' },
  { id: 'camper', name: 'camper', aliases: ['B-0006'] },
  { id: 'hearse', name: 'hearse', aliases: ['B-0007', 'Dex Marlow'], customer: 'Dex Marlow' },
  { id: 'drop', name: 'drophead', aliases: ['B-0008', 'Ruan Teague'], customer: 'Ruan Teague' },
] as const;

/** What the reader knows of this shop. */
export const SPOKEN_SHOP: ReaderContext & { parts: [] } = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'imperial',
  locale: 'en-GB',
  builds: CARS,
  people: [{ id: 'joss', name: 'Joss Arkwright' }],
  vendors: ['Tern & Sons', 'Skerry Electrics', 'Cobb Springs'].map((name) => ({ id: name, name })),
  parts: [],
  at: null,
  places: ['Bay 2', 'Lift 1', 'Booth'].map((name) => ({ id: name, name })),
};
