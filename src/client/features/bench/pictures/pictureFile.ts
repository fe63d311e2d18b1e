/**
 * The picture of a measurement as a file, so that it goes where photographs go: with its entry in the logbook, into a letter, into the
 * book. It is drawn on paper, whatever the theme of the screen, with its title above and what is exaggerated below.
 */
import { font, LIGHT } from '../../../ui/tokens.ts';

/** Pixels to a unit of the drawing: sharp on paper and on any screen. */
const TIMES = 3;
const MARGIN = 16;
const TITLE = 20;
const LINE = 18;

/** What a style sheet gives to a drawing; a picture that stands by itself has none. */
const DRAWN = [
  'fill', 'fill-opacity', 'stroke', 'stroke-width', 'stroke-dasharray', 'stroke-linecap', 'stroke-linejoin', 'stroke-opacity', 'opacity',
  'font-size', 'font-weight', 'text-anchor', 'dominant-baseline',
]; // prettier-ignore

/** The drawing with its styles in itself, as it looks by day. */
function standAlone(figure: HTMLElement): SVGSVGElement | null {
  const stage = document.createElement('div');
  stage.style.cssText = `${LIGHT} position: absolute; left: -9999px; width: 460px;`;
  stage.setAttribute('aria-hidden', 'true');
  stage.append(figure.cloneNode(true));
  document.body.append(stage);
  try {
    const svg = stage.querySelector('svg');
    for (const part of svg?.querySelectorAll<SVGElement>('*') ?? []) {
      const looks = getComputedStyle(part);
      part.style.cssText = DRAWN.map((name) => `${name}: ${looks.getPropertyValue(name)}`).join('; ');
      part.style.fontFamily = font.sans;
      part.removeAttribute('class');
    }
    svg?.remove();
    return svg;
  } finally {
    stage.remove();
  }
}

function load(src: string): Promise<HTMLImageElement> {
  return new Promise((resolve, reject) => {
    const image = new Image();
    image.onload = () => resolve(image);
    image.onerror = () => reject(new Error('the drawing could not be made a picture'));
    image.src = src;
  });
}

/** Words in lines no longer than `width`, as the canvas measures them. */
function linesOf(pen: CanvasRenderingContext2D, words: string, width: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(' ')) {
    const longer = lines.length === 0 ? word : `${lines.at(-1)} ${word}`;
    if (lines.length > 0 && pen.measureText(longer).width <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

/**
 * @param figure holds the drawing and its note
 * @param title stands above it
 * @param name of the file, without its ending
 * @returns null where there is no drawing, or where the browser makes none of it
 */
export async function pictureFile(figure: HTMLElement, title: string, name: string): Promise<File | null> {
  const svg = standAlone(figure);
  const pen = document.createElement('canvas').getContext('2d');
  if (!svg || !pen) return null;
  const { width, height } = svg.viewBox.baseVal;
  svg.setAttribute('width', String(width * TIMES));
  svg.setAttribute('height', String(height * TIMES));
  const source = new XMLSerializer().serializeToString(svg);
  const drawing = await load(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(source)}`);
  const styles = getComputedStyle(figure);
  const note = figure.querySelector('figcaption')?.textContent ?? '';
  const titleFont = `700 ${TITLE * TIMES}px ${styles.fontFamily}`;
  const noteFont = `400 ${(LINE - 4) * TIMES}px ${styles.fontFamily}`;
  const inside = (width - 2 * MARGIN) * TIMES;
  pen.font = titleFont;
  const titles = linesOf(pen, title, inside);
  pen.font = noteFont;
  const notes = note === '' ? [] : linesOf(pen, note, inside);
  const head = MARGIN + titles.length * (TITLE + 4);
  const { canvas } = pen;
  canvas.width = width * TIMES;
  canvas.height = (head + height + notes.length * LINE + MARGIN) * TIMES;
  // Setting its size wipes a canvas, its pen too.
  const colour = (variable: string): string => new RegExp(`${variable}: (#\\w+)`).exec(LIGHT)?.[1] ?? '#000';
  pen.fillStyle = colour('--sheet');
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.textBaseline = 'top';
  pen.fillStyle = colour('--ink');
  pen.font = titleFont;
  titles.forEach((line, i) => pen.fillText(line, MARGIN * TIMES, (MARGIN + i * (TITLE + 4)) * TIMES));
  pen.drawImage(drawing, 0, head * TIMES);
  pen.fillStyle = colour('--zinc');
  pen.font = noteFont;
  notes.forEach((line, i) => pen.fillText(line, MARGIN * TIMES, (head + height + i * LINE) * TIMES));
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  return blob && new File([blob], `${name}.png`, { type: 'image/png' });
}
