/** Who works in the shop. */
export interface PersonStanding {
  id: string;
  role: string;
  hasLeft: boolean;
}

/** Why a person cannot stand as they would after a change, or null: a shop keeps an owner who can sign in. */
export function whyNotStand(people: readonly PersonStanding[], after: PersonStanding): string | null {
  const rest = people.filter((p) => p.id !== after.id);
  return [...rest, after].some((p) => p.role === 'owner' && !p.hasLeft)
    ? null
    : 'a shop needs an owner who can sign in: make somebody else the owner first';
}
