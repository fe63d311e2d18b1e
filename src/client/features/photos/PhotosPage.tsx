/** All photographs of a build, newest entry first, each with what was logged with it. */
import { useSuspenseQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { styled } from 'styled-components';
import { dayOf, formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { useTitle } from '../../shared/title.ts';
import { CarTitle, Page, Quiet, Row, Stack } from '../../ui/parts.tsx';
import { size, space } from '../../ui/tokens.ts';
import { buildQuery } from '../builds/index.ts';
import { useThisCar } from '../entries/index.ts';
import { photosQuery } from './photos.queries.ts';
import { PhotoStrip } from './PhotoStrip.tsx';

const Wall = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: ${space.l};
`;
const Words = styled.div`
  font-size: ${size.small};
  b {
    display: block;
    font-size: ${size.body};
  }
`;

export default function PhotosPage() {
  const { buildId = '' } = useParams();
  const { data: build } = useSuspenseQuery(buildQuery(buildId));
  const { data } = useSuspenseQuery(photosQuery(buildId));
  const manner = useManner();
  const { timeZone } = useShop().shop;
  useThisCar(build.id, build.nickname);
  useTitle(`Photos, ${build.nickname}`);
  return (
    <Page>
      <Stack $gap="l">
        <Row>
          <CarTitle>{build.nickname}: photos</CarTitle>
          <Link to={`/builds/${build.id}`}>To its logbook</Link>
        </Row>
        {data.photos.length === 0 && (
          <p>No photograph yet. The camera beside the log line takes them in with what you write.</p>
        )}
        <Wall aria-label="Photographs, newest first">
          {data.photos.map((p) => (
            <li key={p.id}>
              <PhotoStrip buildId={build.id} photos={[p]} tall={190} />
              <Words>
                {p.caption && <b>{p.caption}</b>}
                {p.entryText}{' '}
                <Quiet>
                  {formatDay(dayOf(p.at, timeZone), manner.locale, manner.today)}, {p.person}
                </Quiet>
              </Words>
            </li>
          ))}
        </Wall>
      </Stack>
    </Page>
  );
}
