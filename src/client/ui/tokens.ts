/**
 * The look's names: every colour, size and space that styles may use. Colours come from the trade's own materials;
 * `night shift` is the dark set of the same names.
 */
import { createGlobalStyle } from 'styled-components';

export const color = {
  /** Warm off-white ground. */
  paper: 'var(--paper)',
  /** A sheet lying on the paper: fields, panels. */
  sheet: 'var(--sheet)',
  /** Near-black text. */
  ink: 'var(--ink)',
  /** Cool grey: quiet text. */
  zinc: 'var(--zinc)',
  /** Cool grey: lines. */
  zincLine: 'var(--zinc-line)',
  /** Cool grey: quiet ground. */
  zincWash: 'var(--zinc-wash)',
  /** Red-oxide primer: what needs a person now. */
  oxide: 'var(--oxide)',
  oxideWash: 'var(--oxide-wash)',
  /** Layout-dye blue: links, focus, the log line. */
  blueing: 'var(--blueing)',
  blueingWash: 'var(--blueing-wash)',
  /** What stands on a blueing ground. */
  onBlueing: 'var(--on-blueing)',
  /** Money and measured values. */
  brass: 'var(--brass)',
  /** A passed check. */
  cure: 'var(--cure)',
} as const;

export const font = {
  sans: "'Archivo Variable', 'Helvetica Neue', Arial, sans-serif",
  mono: "'IBM Plex Mono', 'Courier New', monospace",
} as const;

/** One scale; nothing under 14 px. */
export const size = {
  small: '0.875rem',
  body: '1rem',
  line: '1.125rem',
  head: '1.375rem',
  title: '1.875rem',
} as const;

export const space = { xs: '4px', s: '8px', m: '12px', l: '20px', xl: '32px' } as const;

/** Smallest thing a gloved thumb should have to hit. */
export const touch = '44px';

/** Where two columns would squeeze each other: a tablet upright. */
export const narrow = '@media (max-width: 1040px)';
export const phone = '@media (max-width: 760px)';

/** The names by day; a picture that goes out of the house is drawn with them. */
export const LIGHT = `
  --paper: #f5efe3; --sheet: #fffcf5; --ink: #1e1c19; --zinc: #565d63; --zinc-line: #c4c3bb; --zinc-wash: #e9e4d8;
  --oxide: #8e3420; --oxide-wash: #f6dfd6; --blueing: #1d4b87; --blueing-wash: #dfe8f3; --on-blueing: #ffffff;
  --brass: #6e5010; --cure: #28623a; color-scheme: light;`;
const NIGHT_SHIFT = `
  --paper: #15171a; --sheet: #1e2125; --ink: #ece7dc; --zinc: #a9b0b6; --zinc-line: #42474d; --zinc-wash: #272b30;
  --oxide: #f29b84; --oxide-wash: #44241c; --blueing: #93bcf3; --blueing-wash: #1f3049; --on-blueing: #10161e;
  --brass: #dfb95f; --cure: #8bd09d; color-scheme: dark;`;

export const GlobalStyle = createGlobalStyle`
  :root { ${LIGHT} }
  @media (prefers-color-scheme: dark) { :root:not([data-theme='light']) { ${NIGHT_SHIFT} } }
  :root[data-theme='dark'] { ${NIGHT_SHIFT} }
  *, *::before, *::after { box-sizing: border-box; }
  html { font-family: ${font.sans}; font-size: 100%; font-variant-numeric: tabular-nums; scroll-padding: 72px 0 200px; }
  body { margin: 0; background: ${color.paper}; color: ${color.ink}; line-height: 1.45; overflow-wrap: break-word; }
  h1, h2, h3, p, ul, ol, dl, dd, figure { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  a { color: ${color.blueing}; text-underline-offset: 3px; }
  button, input, textarea, select { font: inherit; color: inherit; }
  :focus-visible, [data-focus-visible] { outline: 3px solid ${color.blueing}; outline-offset: 2px; }
  @media print { :root, :root[data-theme='dark'] { ${LIGHT} } body > div > header, button:not(:has(img)), [data-testid='log-line'] { display: none !important; } }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; scroll-behavior: auto !important; } }
`;
