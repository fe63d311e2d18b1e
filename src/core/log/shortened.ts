/** A text in one line, cut where it is longer than `most` characters. */
export function shortened(text: string, most: number): string {
  const line = text.replace(/\s+/g, ' ').trim();
  return line.length > most ? `${line.slice(0, most - 2).trimEnd()} …` : line;
}
