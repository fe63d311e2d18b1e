/** The longest that a device is believed to have been without a network: 60 days. */
export const LONGEST_AGO_MS = 60 * 24 * 3600 * 1000;
