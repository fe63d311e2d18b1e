/** The vehicle: its numbers and units, what came with it, where its parts come from, what must hold at the end. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { styled } from 'styled-components';
import { whyPartsForUnit } from '#core/vehicle/registers.ts';
import { useTitle } from '../../shared/title.ts';
import { CarTitle, Mono, Now, Page, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { phone, space } from '../../ui/tokens.ts';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { IdentityForm } from './IdentityForm.tsx';
import { RegisterPanel } from './RegisterPanel.tsx';
import { vehicleQuery } from './vehicle.queries.ts';

const Halves = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 ${space.xl};
  align-items: start;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** What follows the name, with nothing between where there is nothing. */
const joined = (...words: (string | false | undefined)[]): string => words.filter(Boolean).join(', ');

export default function VehiclePage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data: vehicle } = useSuspenseQuery(vehicleQuery(buildId));
  useThisCar(build.id, build.nickname);
  useTitle(`Vehicle, ${build.nickname}`);
  const { rows, identity } = vehicle;
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: vehicle</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
        </Row>
        <Halves>
          <Stack $gap="l">
            <RegisterPanel buildId={buildId} register="requirement" rows={rows.requirement}>
              {(r) => ({
                name: r.text,
                more: r.met ? <Quiet>holds: {r.evidence}</Quiet> : <Now>not shown yet</Now>,
              })}
            </RegisterPanel>
            <RegisterPanel buildId={buildId} register="unit" rows={rows.unit}>
              {(u) => {
                const why = whyPartsForUnit(u, identity.year);
                return {
                  name: u.kind,
                  more: (
                    <>
                      <Mono>{u.number || 'no number'}</Mono>{' '}
                      <Quiet>
                        {joined(
                          u.year !== undefined && `of ${u.year}`,
                          u.papersNumber !== '' && `papers: ${u.papersNumber}`,
                          u.evidence,
                        )}
                      </Quiet>
                      {why && (
                        <p>
                          <Now>Not the car’s own.</Now> {why}
                        </p>
                      )}
                    </>
                  ),
                };
              }}
            </RegisterPanel>
            <RegisterPanel buildId={buildId} register="belonging" rows={rows.belonging}>
              {(b) => ({
                name: b.what,
                more: (
                  <Quiet>
                    {joined(b.kind, b.keptAt && `kept: ${b.keptAt}`, b.givenBack && 'given back')}
                  </Quiet>
                ),
              })}
            </RegisterPanel>
          </Stack>
          <Stack $gap="l">
            <IdentityForm key={identity.version} vehicle={vehicle} />
            <RegisterPanel buildId={buildId} register="provenance" rows={rows.provenance}>
              {(p) => ({
                name: p.component,
                more: (
                  <Quiet>
                    {joined(
                      p.state,
                      p.earlierWork && 'earlier owner’s or shop’s work',
                      p.evidence,
                      p.originalKept && `original kept: ${p.originalKept}`,
                    )}
                  </Quiet>
                ),
              })}
            </RegisterPanel>
          </Stack>
        </Halves>
      </Stack>
    </Page>
  );
}
