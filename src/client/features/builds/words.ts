/** How what is agreed of a build is said in forms. */
import type { TellBy } from '#contract/builds.ts';
import type { Standard } from '#core/log/standards.ts';

export const STANDARD_WORDS: Record<Standard, string> = {
  driver: 'driver: function first',
  preserve: 'preserve: keep the aged surface',
  'period-correct': 'period-correct: as it could have been then',
  show: 'show: to be looked at closely',
  race: 'race: safe, light, legal',
};

export const TELL_WORDS: Record<TellBy, string> = {
  mail: 'by mail, with their page',
  telephone: 'by telephone',
  both: 'by mail and by telephone',
};
