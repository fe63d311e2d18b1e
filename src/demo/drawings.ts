/**
 * The demo's photographs: technical illustrations, drawn by code, of made-up parts. Each knows where its fault is, so that
 * it can be ringed.
 */
const [WIDTH, HEIGHT] = [1600, 1200];

const INK = '#2b2a28';
const METAL = '#9aa3a8';
const SHADE = '#6f777c';
const RUST = '#9a4a24';
const DARK_RUST = '#5c2a16';
const GROUND = '#e9e1cf';
const WEBBING = '#c9bea4';

interface Drawing {
  svg: string;
  /** Centre and radius of the fault, in fractions of the picture (the radius of its longer side). */
  fault: { x: number; y: number; r: number };
}

const path = (d: string, fill = 'none', stroke = INK, width = 6): string =>
  `<path d="${d}" fill="${fill}" stroke="${stroke}" stroke-width="${width}" stroke-linejoin="round" stroke-linecap="round"/>`;
const box = (x: number, y: number, w: number, h: number, fill: string, r = 0): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${r}" fill="${fill}" stroke="${INK}" stroke-width="6"/>`;
const disc = (x: number, y: number, r: number, fill: string, width = 6): string =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}" stroke="${INK}" stroke-width="${width}"/>`;
const many = (n: number, draw: (i: number) => string): string =>
  Array.from({ length: n }, (_, i) => draw(i)).join('');

/** Spots scattered around a point: always the same, since the golden angle puts them there. */
const spots = (x: number, y: number, n: number, spread: number, fill: string, large = 26): string =>
  many(n, (i) => {
    const [angle, far] = [i * 2.39996, spread * Math.sqrt((i + 0.5) / n)];
    const r = large * (0.35 + 0.65 * Math.abs(Math.sin(i * 1.7)));
    return `<circle cx="${(x + far * Math.cos(angle)).toFixed(0)}" cy="${(y + 0.7 * far * Math.sin(angle)).toFixed(0)}" r="${r.toFixed(0)}" fill="${fill}"/>`;
  });

const bench = (drawn: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}"><rect width="${WIDTH}" height="${HEIGHT}" fill="${GROUND}"/>${many(
    7,
    (i) => `<path d="M0 ${140 + i * 170}H${WIDTH}" stroke="${WEBBING}" stroke-width="3"/>`,
  )}${drawn}</svg>`;

const at = (x: number, y: number, r: number): Drawing['fault'] => ({
  x: x / WIDTH,
  y: y / HEIGHT,
  r: r / WIDTH,
});

/** A box member with a flange, eaten away at one end. */
const rail = (): Drawing => ({
  svg: bench(
    path('M120 560L1480 430L1480 660L120 820Z', METAL) +
      path('M120 560L1480 430L1400 360L60 480Z', SHADE) +
      path('M120 820L1480 660L1480 700L120 866Z', SHADE) +
      many(6, (i) => disc(300 + i * 210, 640 - i * 20, 26, GROUND)) +
      spots(420, 690, 34, 230, RUST, 46) +
      path('M330 640C360 600 470 610 500 650C540 690 500 760 440 770C370 780 300 720 330 640Z', DARK_RUST) +
      path('M380 668C410 650 450 660 456 690C460 720 420 740 396 724Z', '#1b0f0a', DARK_RUST),
  ),
  fault: at(420, 690, 230),
});

/** The same member with new metal let in, the seam ground flush. */
const newMetal = (): Drawing => ({
  svg: bench(
    path('M120 560L1480 430L1480 660L120 820Z', METAL) +
      path('M120 560L1480 430L1400 360L60 480Z', SHADE) +
      path('M120 820L1480 660L1480 700L120 866Z', SHADE) +
      many(6, (i) => disc(300 + i * 210, 640 - i * 20, 26, GROUND)) +
      path('M200 552L660 508L660 758L200 812Z', '#c6ccd0') +
      many(22, (i) => `<circle cx="${660 + Math.sin(i) * 3}" cy="${514 + i * 11.4}" r="9" fill="${SHADE}"/>`),
  ),
  fault: at(660, 636, 160),
});

/** A hose on its union, cracked where it bends. */
const hose = (): Drawing => ({
  svg: bench(
    path('M180 880C500 900 620 640 860 560C1080 490 1200 520 1420 330', 'none', INK, 120) +
      path('M180 880C500 900 620 640 860 560C1080 490 1200 520 1420 330', 'none', '#4b4a47', 100) +
      box(120, 800, 150, 160, '#b98f3c', 12) +
      box(60, 840, 70, 80, '#b98f3c') +
      many(7, (i) => path(`M${770 + i * 30} ${560 - i * 14}l14 70`, 'none', '#14110f', 8)),
  ),
  fault: at(860, 560, 150),
});

/** Four chambers of a cylinder head, one valve burnt. */
const head = (): Drawing => ({
  svg: bench(
    box(90, 330, 1420, 540, METAL, 30) +
      many(4, (i) => {
        const x = 260 + i * 360;
        const burnt = i === 3;
        return (
          disc(x, 600, 160, SHADE) +
          disc(x - 62, 600, 66, '#b9c0c4') +
          disc(x + 66, 600, 54, burnt ? '#c9a58a' : '#b9c0c4') +
          (burnt ? path(`M${x + 66} 600L${x + 120} 560L${x + 124} 618Z`, '#1b0f0a', DARK_RUST) : '')
        );
      }) +
      many(10, (i) => disc(130 + (i % 5) * 335, i < 5 ? 380 : 820, 20, GROUND)),
  ),
  fault: at(1406, 600, 110),
});

/** Hood irons, split at an elbow. */
const irons = (): Drawing => ({
  svg: bench(
    many(3, (i) => {
      const d = `M${220 + i * 60} 980L${420 + i * 120} ${420 - i * 60}L${1240 + i * 90} ${380 - i * 60}L${1400 + i * 40} 960`;
      return path(d, 'none', INK, 44) + path(d, 'none', METAL, 32);
    }) +
      many(3, (i) => disc(420 + i * 120, 420 - i * 60, 34, SHADE)) +
      path('M400 396l26 30l-10 26l30 22', 'none', '#14110f', 10),
  ),
  fault: at(424, 430, 110),
});

/** Battery boxes, eaten through by acid. */
const boxes = (): Drawing => ({
  svg: bench(
    many(
      3,
      (i) => box(120 + i * 470, 380, 420, 480, METAL, 8) + box(160 + i * 470, 420, 340, 400, SHADE, 4),
    ) +
      spots(800, 720, 40, 260, '#d8d2a8', 34) +
      spots(800, 740, 18, 150, RUST, 40) +
      path(
        'M720 730C760 690 850 700 880 740C900 790 820 812 770 800C730 790 700 760 720 730Z',
        '#1b0f0a',
        DARK_RUST,
      ),
  ),
  fault: at(800, 750, 190),
});

/** A leaf spring whose second leaf has broken. */
const spring = (): Drawing => ({
  svg: bench(
    many(6, (i) => {
      const half = 660 - i * 95;
      const y = 470 + i * 62;
      return (
        path(`M${800 - half} ${y}Q800 ${y + 190} ${800 + half} ${y}`, 'none', INK, 56) +
        path(
          `M${800 - half} ${y}Q800 ${y + 190} ${800 + half} ${y}`,
          'none',
          i % 2 === 0 ? METAL : '#aab2b6',
          44,
        )
      );
    }) +
      box(730, 540, 140, 420, SHADE, 8) +
      disc(140, 470, 60, METAL) +
      disc(1460, 470, 60, METAL) +
      path('M1086 540l-26 34l30 20l-18 40', 'none', '#14110f', 12),
  ),
  fault: at(1076, 590, 110),
});

/** A gear and its ring, the ring cracked through. */
const ring = (): Drawing => ({
  svg: bench(
    many(36, (i) => {
      const a = (i * Math.PI) / 18;
      return path(
        `M${(520 + 300 * Math.cos(a)).toFixed(0)} ${(600 + 300 * Math.sin(a)).toFixed(0)}L${(520 + 356 * Math.cos(a)).toFixed(0)} ${(600 + 356 * Math.sin(a)).toFixed(0)}`,
        'none',
        SHADE,
        26,
      );
    }) +
      disc(520, 600, 310, METAL) +
      disc(520, 600, 120, GROUND) +
      disc(1160, 600, 270, '#b98f3c') +
      disc(1160, 600, 200, GROUND) +
      path('M1320 400l34 -40M1326 402l20 4l-12 22l30 -8', 'none', '#14110f', 12),
  ),
  fault: at(1336, 394, 90),
});

/** A panel with its edge lifted and split. */
const panel = (): Drawing => ({
  svg: bench(
    path('M240 220H1280C1380 220 1420 300 1420 420V960H240Z', '#8fa59b') +
      path('M330 310H1230C1310 310 1330 360 1330 430V600H330Z', GROUND) +
      path('M1180 700h150', 'none', INK, 20) +
      spots(380, 900, 26, 150, RUST, 34) +
      path('M250 840C320 820 420 850 470 880C500 910 470 950 400 950H250Z', DARK_RUST),
  ),
  fault: at(370, 890, 170),
});

/** Canvas torn at its seam. */
const canvas = (): Drawing => ({
  svg: bench(
    path('M160 300C500 220 1100 220 1440 300L1380 920C1080 860 520 860 220 920Z', '#b7a98a') +
      path('M520 258L560 880', 'none', '#8d8163', 10) +
      path('M1080 258L1040 880', 'none', '#8d8163', 10) +
      path('M1060 470C1120 520 1180 560 1260 560C1180 600 1100 620 1050 600Z', '#2b2a28') +
      many(14, (i) => path(`M${1064 + i * 14} ${486 + i * 6}l6 -22`, 'none', '#8d8163', 4)),
  ),
  fault: at(1150, 550, 150),
});

/** A cable with its strands sprung. */
const cable = (): Drawing => ({
  svg: bench(
    path('M120 700C420 640 560 560 780 600', 'none', INK, 60) +
      path('M120 700C420 640 560 560 780 600', 'none', '#4b4a47', 46) +
      path('M980 610C1180 600 1300 520 1480 480', 'none', INK, 60) +
      path('M980 610C1180 600 1300 520 1480 480', 'none', '#4b4a47', 46) +
      many(9, (i) =>
        path(
          `M780 ${584 + i * 4}C840 ${540 + i * 14} 900 ${690 - i * 18} 980 ${594 + i * 4}`,
          'none',
          SHADE,
          5,
        ),
      ) +
      many(5, (i) => path(`M${820 + i * 24} 600l${-14 + i * 10} ${-70 - i * 8}`, 'none', SHADE, 5)),
  ),
  fault: at(880, 580, 140),
});

/** Runners worn oval. */
const runner = (): Drawing => ({
  svg: bench(
    box(140, 420, 1320, 130, METAL, 10) +
      box(140, 720, 1320, 130, METAL, 10) +
      many(6, (i) => disc(280 + i * 210, 485, 34, GROUND)) +
      many(
        6,
        (i) =>
          `<ellipse cx="${280 + i * 210}" cy="785" rx="${i === 2 || i === 3 ? 58 : 38}" ry="34" fill="${GROUND}" stroke="${INK}" stroke-width="6"/>`,
      ),
  ),
  fault: at(805, 785, 200),
});

export const DRAWINGS = {
  rail,
  'new metal': newMetal,
  hose,
  head,
  irons,
  boxes,
  spring,
  ring,
  panel,
  canvas,
  cable,
  runner,
} satisfies Record<string, () => Drawing>;

export type DrawingName = keyof typeof DRAWINGS;
