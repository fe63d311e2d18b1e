/** Behind a number these say that it counts or measures: “13 years”, “3 h lost”, “40 miles”. */
export const UNIT =
  'years?|yrs?|months?|weeks?|days?|hours?|hrs?|h|minutes?|mins?|miles?|km|mm|cm|metres?|feet|foot|inch(?:es)?|kg|psi|nm|lb-ft|bar|volts?|amps?|degrees|coats?|times|characters|letters|rows|pieces?|of an inch|in(?= (?:deep|long|wide|thick|at the (?:rim|hub|edge|lip))\\b)' +
  '|jahren?|monaten?|wochen?|tagen?|stunden?|std|minuten?|meter|grad|liter|stück';
