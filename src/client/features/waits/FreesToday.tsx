/** What one act today would free: whose it is, which cars it lets go on, which it only brings on. */
import { Link } from 'react-router';
import { styled } from 'styled-components';
import type { BuildWaitView } from '#contract/waits.ts';
import { holdInWords } from '#core/waits/binding.ts';
import type { FreeingAct, Helped } from '#core/waits/frees.ts';
import { useManner } from '../../shared/shop.ts';
import { Head, Now, Panel, Quiet, Summary } from '../../ui/parts.tsx';
import { color, phone, space } from '../../ui/tokens.ts';

const Act = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 18rem) minmax(0, 1fr);
  gap: ${space.xs} ${space.l};
  padding: ${space.s} 0;
  border-top: 1px solid ${color.zincLine};
  > b::first-letter {
    text-transform: uppercase;
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** What one can do before noon; the rest is one press away. */
const SHOWN = 3;

export function FreesToday({ acts }: { acts: readonly FreeingAct<BuildWaitView>[] }) {
  if (acts.length === 0) return null;
  const rest = acts.slice(SHOWN);
  return (
    <Panel aria-label="What an act today would free">
      <Head>What an act today would free</Head>
      <div>
        {acts.slice(0, SHOWN).map((a) => (
          <OneAct key={a.act} act={a} />
        ))}
        {rest.length > 0 && (
          <details>
            <Summary>{rest.length === 1 ? 'One more' : `${rest.length} more`}</Summary>
            {rest.map((a) => (
              <OneAct key={a.act} act={a} />
            ))}
          </details>
        )}
      </div>
    </Panel>
  );
}

function OneAct({ act: { act, frees, bringsOn } }: { act: FreeingAct<BuildWaitView> }) {
  return (
    <Act>
      <b>{act}</b>
      <div>
        {frees.map((h) => (
          <OneCar key={h.build.buildId} {...h} />
        ))}
        {bringsOn.map((h) => (
          <OneCar key={h.build.buildId} {...h} more />
        ))}
      </div>
    </Act>
  );
}

/** `more`: something else holds it too, or it waits for its turn. */
function OneCar({ build, hold, more = false }: Helped<BuildWaitView> & { more?: boolean }) {
  const { locale, today } = useManner();
  const others = [build.binding!, ...build.others].filter((h) => h.act !== hold.act).length;
  return (
    <p>
      <Link to={`/builds/${build.buildId}/work`}>The {build.nickname}</Link>{' '}
      {hold.until !== null && hold.until < today && <Now>late:</Now>} waits for{' '}
      {holdInWords(hold, today, locale)}. {more && <Quiet>{alsoHeld(others)}</Quiet>}
    </p>
  );
}

/** What else keeps a car that an act only brings on. */
function alsoHeld(others: number): string {
  if (others === 0) return 'Another car comes first.';
  return others === 1 ? 'One other thing holds it too.' : `${others} other things hold it too.`;
}
