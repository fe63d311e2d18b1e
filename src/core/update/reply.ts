/** What somebody wrote in answer to a mail, without the mail that they answered. */

/** The line that mail programs put above what is answered: “On Tue, 3 Mar 2026, Wren wrote:”, “Am 3. März schrieb …:”. */
const ABOVE =
  /^(?:on|am|le|el|il|op|den|em)\b.{0,200}\b(?:wrote|schrieb|écrit|escribió|scritto|schreef|skrev|escreveu)\b.{0,80}:$/i;
const RULE =
  /^(?:-{2,}\s*(?:original message|forwarded message|ursprüngliche nachricht)\s*-{2,}|_{10,}|from:\s.+|sent from my .+|-- ?)$/i;

/**
 * The words of a reply: up to the mail that is quoted beneath, a signature, or a rule; quoted lines left out.
 *
 * @param text the plain text of a mail, any length
 * @returns what was written, without empty ends; empty where nothing was
 */
export function ownWords(text: string): string {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const end = lines.findIndex((line, i) => {
    const said = line.trim();
    // The line above may be broken in two.
    return RULE.test(said) || ABOVE.test(said) || ABOVE.test(`${said} ${(lines[i + 1] ?? '').trim()}`);
  });
  return lines
    .slice(0, end < 0 ? undefined : end)
    .filter((line) => !/^\s*>/.test(line))
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}
