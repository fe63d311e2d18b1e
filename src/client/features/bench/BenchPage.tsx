/** The measuring bench: every calculator, in the order of work; for one car, or just to work something out. */
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { styled } from 'styled-components';
import { CALCULATORS } from '#core/bench/registry/index.ts';
import { VERDICTS } from '#core/bench/registry/told.ts';
import { GROUPS, type Group } from '#core/bench/registry/types.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { CarTitle, Head, Page, Panel, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { color, space, touch } from '../../ui/tokens.ts';
import { CarSelect, useThisCar } from '../entries/index.ts';
import { benchQuery } from './bench.queries.ts';

const Groups = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0 ${space.xl};
  align-items: start;
`;
const Names = styled.ul`
  padding: 0;
  list-style: none;
  a {
    display: flex;
    justify-content: space-between;
    gap: ${space.m};
    align-items: center;
    min-height: ${touch};
    border-top: 1px solid ${color.zincLine};
    text-decoration: none;
    font-weight: 600;
  }
`;

export default function BenchPage() {
  const { buildId } = useParams();
  return buildId === undefined ? <AnyCar /> : <OneCar buildId={buildId} />;
}

function AnyCar() {
  const navigate = useNavigate();
  useTitle('The bench');
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>The bench</CarTitle>
          <Quiet>Just work it out, or keep it with</Quiet>
          <CarSelect build={null} isOptional onBuild={({ id }) => void navigate(`/builds/${id}/bench`)} />
        </Row>
        <All base="/bench" lasts={{}} />
      </Stack>
    </Page>
  );
}

function OneCar({ buildId }: { buildId: string }) {
  const { data } = useQuery(benchQuery(buildId));
  const { locale, today } = useManner();
  const { timeZone } = useShop().shop;
  const nickname = data?.nickname ?? 'the car';
  useThisCar(buildId, nickname);
  useTitle(`The bench, ${nickname}`);
  const lasts: Record<string, string> = {};
  for (const r of data?.readings ?? [])
    lasts[r.calculator] ??= `${VERDICTS[r.verdict]}, ${formatDay(dayOf(r.takenAt, timeZone), locale, today)}`;
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{nickname}: the bench</CarTitle>
          <Link to={`/builds/${buildId}`}>To its logbook</Link>
          <Link to="/bench">Without a car</Link>
        </Row>
        <All base={`/builds/${buildId}/bench`} lasts={lasts} />
      </Stack>
    </Page>
  );
}

/** Behind each name what it came to last, where it was measured. */
function All({ base, lasts }: { base: string; lasts: Record<string, string> }) {
  return (
    <Groups>
      {(Object.keys(GROUPS) as Group[]).map((group) => (
        <Panel key={group} aria-label={GROUPS[group]}>
          <Head>{GROUPS[group]}</Head>
          <Names>
            {CALCULATORS.filter((c) => c.group === group).map((c) => (
              <li key={c.name}>
                <Link to={`${base}/${c.name}`}>
                  {c.title} {lasts[c.name] && <Quiet>{lasts[c.name]}</Quiet>}
                </Link>
              </li>
            ))}
          </Names>
        </Panel>
      ))}
    </Groups>
  );
}
