/** What the tests use of a statistics library that ships no types. */
declare module 'jstat' {
  interface Jstat {
    quantiles(values: number[], at: number[], alphap: number, betap: number): number[];
    beta: { cdf: (x: number, alpha: number, beta: number) => number };
    normal: { cdf: (x: number, mean: number, sd: number) => number };
    triangular: { cdf: (x: number, low: number, high: number, mode: number) => number };
  }
  const jstat: Jstat;
  export default jstat;
}
