/** What comes of the readings: the verdict in words, why, the numbers, the sum, what would bring it right, and where it all comes from. */
import { styled } from 'styled-components';
import { faultWords, labelOf } from '#core/bench/registry/form.ts';
import { VERDICTS, type Told } from '#core/bench/registry/told.ts';
import { CAUTIONS, type Calculator } from '#core/bench/registry/types.ts';
import { Figures, Head, Mono, Notice, Panel, Quiet, Stack, Summary } from '../../ui/parts.tsx';
import { color, size, space } from '../../ui/tokens.ts';
import type { BenchForm } from './useBenchForm.ts';

const COLOURS = { ok: color.cure, watch: color.brass, fail: color.oxide } as const;
/** In words, and in the colour of its weight. */
export const Verdict = styled.p<{ $is: keyof typeof COLOURS }>`
  font-size: ${size.title};
  font-weight: 750;
  line-height: 1.1;
  white-space: nowrap;
  &::first-letter {
    text-transform: uppercase;
  }
  color: ${({ $is }) => COLOURS[$is]};
`;
/** Long lists of numbers leave their names room. */
const Values = styled(Figures)`
  grid-template-columns: minmax(8rem, 1fr) minmax(0, auto);
`;
const Reasons = styled.ul`
  display: grid;
  gap: ${space.xs};
  padding: 0;
  list-style: none;
`;
const Sum = styled.ol`
  display: grid;
  gap: ${space.xs};
  padding: 0;
  list-style: none;
  font-size: ${size.small};
`;

const LEVEL_WORDS = { info: 'To know', watch: 'Watch', fail: 'Not good' } as const;

/** Two reasons may have one code, and two lines the same words: each is known by its place too. */
export function ToldParts({ told }: { told: Told }) {
  return (
    <>
      {told.reasons.length > 0 && (
        <Reasons>
          {told.reasons.map((r, i) => (
            <li key={`${i} ${r.code}`}>
              <strong>{LEVEL_WORDS[r.level]}:</strong> {r.text}
            </li>
          ))}
        </Reasons>
      )}
      {told.right.length > 0 && (
        <Notice $tone="cure">
          <strong>To bring it right:</strong>
          {told.right.map((line, i) => (
            <p key={`${i} ${line}`}>{line}</p>
          ))}
        </Notice>
      )}
      <Values>
        {told.lines.map((l, i) => (
          <FigureLine key={`${i} ${l.label}`} label={l.label} text={l.text} />
        ))}
      </Values>
      {told.sum.length > 0 && (
        <div>
          <strong>The sum</strong>
          <Sum>
            {told.sum.map((line, i) => (
              <li key={`${i} ${line}`}>
                <Mono>{line}</Mono>
              </li>
            ))}
          </Sum>
        </div>
      )}
    </>
  );
}

function FigureLine({ label, text }: { label: string; text: string }) {
  return (
    <>
      <dt>{label}</dt>
      <dd>
        <Mono $brass>{text}</Mono>
      </dd>
    </>
  );
}

/** What the calculator cannot do with, in words. */
function Waiting({ calculator, bench }: { calculator: Calculator; bench: BenchForm }) {
  const { refused } = bench.worked;
  if (!bench.read.isRead) return <Quiet>A reading is still open: look at its field.</Quiet>;
  if (!refused) return null;
  if (Object.entries(bench.form).every(([path, text]) => path.endsWith('#') || text === ''))
    return <Quiet>Nothing is measured yet.</Quiet>;
  const label = labelOf(calculator.fields, refused.field);
  return refused.code === 'missing' ? (
    <p>
      <Quiet>Still to be measured:</Quiet> {label}
    </p>
  ) : (
    <p role="alert">
      <strong>{label}</strong> {faultWords(refused)}
    </p>
  );
}

export function Result({
  calculator,
  bench,
  told,
}: {
  calculator: Calculator;
  bench: BenchForm;
  told: Told | null;
}) {
  return (
    <Panel aria-label="Result">
      {told ? (
        <Stack>
          <Verdict $is={told.verdict} role="status">
            {VERDICTS[told.verdict]}
          </Verdict>
          <ToldParts told={told} />
        </Stack>
      ) : (
        <Waiting calculator={calculator} bench={bench} />
      )}
      <details>
        <Summary>Where this comes from</Summary>
        <ul>
          {calculator.sources.map((s) => (
            <li key={s.text}>
              {s.text} <Quiet>({s.mark})</Quiet>
            </li>
          ))}
        </ul>
        {typeof calculator.picture === 'object' && <Quiet>No picture: {calculator.picture.none}.</Quiet>}
      </details>
    </Panel>
  );
}

export function Cautions({ calculator }: { calculator: Calculator }) {
  if (calculator.cautions.length === 0) return null;
  return (
    <Notice $tone="oxide" role="note" aria-label="Caution">
      <Head>Caution</Head>
      {calculator.cautions.map((c) => (
        <p key={c}>{CAUTIONS[c]}</p>
      ))}
    </Notice>
  );
}
