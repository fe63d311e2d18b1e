/** An estimate on paper: a good shop’s letterhead, each line with its why, its pictures and its price, the sums, the page numbers. */
import { choiceOf } from '#core/approval/answers.ts';
import type { RevisionChoice, RevisionContent, RevisionLine } from '#core/approval/revision.ts';
import { weeksInWords } from '#core/estimate/ways.ts';
import type { LineClass } from '#core/log/kinds.ts';
import { formatMoney } from '#core/money/money.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import {
  BOTTOM,
  bytesOf,
  feet,
  heightOf,
  INK,
  MARGIN,
  openPaper,
  OXIDE,
  QUIET,
  rule,
  WIDTH,
  write,
  type Doc,
  type Weight,
} from '../../paper/paper.ts';

export interface PaperOf {
  shop: string;
  locale: string;
  vehicle: string;
  number: string;
  customer: string;
  /** The day it was sent, or the day it is printed where it was not. */
  day: string;
  /** SHA-256 of what was sent; null for what was not. */
  hash: string | null;
  content: RevisionContent;
  /** The small pictures’ files, by their hash. */
  files: ReadonlyMap<string, string>;
}

const PRICE_WIDTH = 96;
const TEXT_WIDTH = WIDTH - PRICE_WIDTH - 16;
const PICTURE_WIDTH = 118;
const MOST_PICTURES = 3;

function head(doc: Doc, of: PaperOf): number {
  doc.rect(0, 0, 595.28, 6).fill(OXIDE);
  let y = write(doc, of.shop, MARGIN, MARGIN - 8, { weight: 'bold', size: 18, color: OXIDE });
  rule(doc, y + 6, INK, 1.2);
  y = write(doc, `Estimate ${of.content.number} for the ${of.vehicle}`, MARGIN, y + 20, {
    weight: 'bold',
    size: 15,
  });
  const state = of.hash === null ? 'A draft: not sent, and not agreed.' : `Sent ${of.day}`;
  y = write(doc, `For ${of.customer}. Build ${of.number}. ${state}`, MARGIN, y + 2, { color: QUIET });
  if (of.content.note !== '') y = write(doc, of.content.note, MARGIN, y + 12, { size: 10.5 });
  return y + 14;
}

const CLASS_WORDS: Record<LineClass, string> = {
  safety: 'Safety: not safe without it',
  must: 'Must: it does not work, or gets worse, without it',
  should: 'Should: better done now',
  nice: 'Nice to have',
};

function linePictures(doc: Doc, of: PaperOf, pictures: readonly ShownPicture[], y: number): number {
  let bottom = y;
  for (const [i, picture] of pictures.slice(0, MOST_PICTURES).entries()) {
    const x = MARGIN + i * (PICTURE_WIDTH + 10);
    const tall = (PICTURE_WIDTH * picture.height) / picture.width;
    doc.image(of.files.get(picture.thumb)!, x, y, { width: PICTURE_WIDTH });
    const style = { size: 8, color: QUIET, width: PICTURE_WIDTH };
    bottom = Math.max(bottom, write(doc, picture.caption, x, y + tall + 2, style), y + tall + 2);
  }
  return bottom;
}

/** What a line takes, so that it is not torn over two pages. */
function lineHeight(doc: Doc, line: RevisionLine): number {
  const shown = (line.pictures ?? []).slice(0, MOST_PICTURES);
  const tallest = Math.max(0, ...shown.map((p) => (PICTURE_WIDTH * p.height) / p.width + 26));
  const title = heightOf(doc, line.title, { weight: 'bold', size: 11, width: TEXT_WIDTH });
  return title + heightOf(doc, line.why, { width: TEXT_WIDTH }) + 44 + tallest;
}

function drawLine(doc: Doc, of: PaperOf, line: RevisionLine, from: number): number {
  const money = (minor: number): string => formatMoney(minor, of.content.currency, of.locale);
  let y = from;
  if (y + lineHeight(doc, line) > BOTTOM) {
    doc.addPage();
    y = MARGIN;
  }
  rule(doc, y);
  write(doc, money(line.grossMinor), MARGIN + WIDTH - PRICE_WIDTH, y + 8, {
    weight: 'bold',
    size: 11,
    width: PRICE_WIDTH,
    align: 'right',
  });
  y = write(doc, line.title, MARGIN, y + 8, { weight: 'bold', size: 11, width: TEXT_WIDTH });
  const waits = line.proposal === 'wait' ? '. Can wait: we propose to put it off' : '';
  const color = line.class === 'safety' ? OXIDE : QUIET;
  y = write(doc, CLASS_WORDS[line.class] + waits, MARGIN, y, { size: 9, color, width: TEXT_WIDTH });
  y = write(doc, line.why, MARGIN, y, { width: TEXT_WIDTH });
  if (line.lowGrossMinor !== line.highGrossMinor) {
    const range = `between ${money(line.lowGrossMinor)} and ${money(line.highGrossMinor)}`;
    y = write(doc, range, MARGIN, y, { size: 9, color: QUIET, width: TEXT_WIDTH });
  }
  if (line.pictures?.length) y = linePictures(doc, of, line.pictures, y + 6);
  return y + 10;
}

/** A heading that keeps a little of what follows it on its page. */
function subhead(doc: Doc, words: string, from: number, size: number): number {
  let y = from;
  if (y + 110 > BOTTOM) {
    doc.addPage();
    y = MARGIN;
  }
  return write(doc, words, MARGIN, y + 8, { weight: 'bold', size });
}

/** Ways to do it, one after the other: its lines, then what everything comes to, how long it takes, what stays at risk. */
function drawChoice(doc: Doc, of: PaperOf, choice: RevisionChoice, from: number): number {
  const money = (minor: number): string => formatMoney(minor, of.content.currency, of.locale);
  let y = subhead(doc, `${choice.title}: one of these ways`, from, 13);
  for (const way of choice.ways) {
    const advised = way.id === choice.heldId ? ' (what we advise)' : '';
    y = subhead(doc, way.name + advised, y, 11);
    for (const line of of.content.lines.filter((l) => l.wayId === way.id)) y = drawLine(doc, of, line, y + 4);
    const sum = `Everything then comes to ${money(way.grossMinor)}, in four cases of five not above ${money(way.p80GrossMinor)}. It takes ${weeksInWords(way)}.`;
    y = write(doc, sum, MARGIN, y, { size: 9 });
    y = write(doc, `What stays at risk: ${way.risk}`, MARGIN, y, { size: 9, color: QUIET }) + 8;
  }
  return y;
}

function sums(doc: Doc, of: PaperOf, from: number): void {
  const { content } = of;
  const money = (minor: number): string => formatMoney(minor, content.currency, of.locale);
  const rows: [string, string, Weight][] = [
    ['All that we propose to do', money(content.grossMinor), 'bold'],
    ['Kept in four cases of five', money(content.p80GrossMinor), 'regular'],
    [`Tax in it, ${content.taxBp / 100} %`, money(content.taxMinor), 'regular'],
  ];
  if (content.budgetMinor !== null) rows.push(['Your budget', money(content.budgetMinor), 'regular']);
  let y = from;
  if (y + rows.length * 18 + 60 > BOTTOM) {
    doc.addPage();
    y = MARGIN;
  }
  rule(doc, y, INK, 1.2);
  y += 8;
  for (const [name, sum, weight] of rows) {
    write(doc, sum, MARGIN + WIDTH - 140, y, { weight, size: 11, width: 140, align: 'right' });
    y = write(doc, name, MARGIN, y, { weight, size: 11, width: WIDTH - 150 }) + 3;
  }
  write(
    doc,
    'Every price has its tax in it. The range of a line is its lowest and its highest; together they do not all fall the same way.',
    MARGIN,
    y + 8,
    { size: 9, color: QUIET },
  );
}

/** The PDF’s bytes. */
export function estimatePdf(of: PaperOf): Promise<Buffer> {
  const doc = openPaper(`Estimate ${of.content.number}, ${of.vehicle}`);
  return bytesOf(doc, () => {
    let y = head(doc, of);
    const inAnyCase = of.content.lines.filter((l) => !choiceOf(of.content, l));
    for (const line of inAnyCase) y = drawLine(doc, of, line, y);
    for (const choice of of.content.choices ?? []) y = drawChoice(doc, of, choice, y);
    sums(doc, of, y + 6);
    const mark = of.hash === null ? 'draft' : `fingerprint ${of.hash.slice(0, 16)}`;
    feet(doc, `${of.shop} · Estimate ${of.content.number} · ${mark}`);
  });
}
