/** What the tests use of reference libraries that ship no types. */
declare module 'psychrolib' {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetTDewPointFromRelHum(dryBulb_C: number, relHum: number): number;
  };
  export default psychrolib;
}
declare module 'js-quantities' {
  export default function Qty(text: string): { to(unit: string): { scalar: number } };
}
declare module 'convert-units' {
  export default function convert(value: number): { from(unit: string): { to(unit: string): number } };
}
declare module 'vin-validator' {
  const validator: { validate(vin: string): boolean };
  export default validator;
}
