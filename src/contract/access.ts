/** Who may use what. */
export const ROLES = ['owner', 'office', 'technician'] as const;
export type Role = (typeof ROLES)[number];

export const EVERYBODY: readonly Role[] = [...ROLES];
/** Those who see prices and customers' contacts. */
export const DESK = ['owner', 'office'] as const;
