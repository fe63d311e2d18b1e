/** Around every page behind the sign-in: the slim top bar, the page, the log line. */
import { lazy, Suspense, useEffect, useState } from 'react';
import { UserRound } from 'lucide-react';
import { Link, NavLink, Outlet, ScrollRestoration, useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { useKey } from '../shared/keys.ts';
import { useShop } from '../shared/shop.ts';
import { Button } from '../ui/Button.tsx';
import { Quiet } from '../ui/parts.tsx';
import { color, narrow, phone, size, space, touch } from '../ui/tokens.ts';
import { LogLine } from '../features/entries/LogLine.tsx';
import { LogTarget } from '../features/entries/target.tsx';
import { sendAs } from '../features/outgoing/index.ts';
import { resumePhotos } from '../features/photos/index.ts';
import { RunningBar } from '../features/work/index.ts';
import { SignOutButton } from '../features/session/index.ts';
import { useLive } from './live.ts';
import { ReachBar } from './ReachBar.tsx';
import { ThemeButton } from './ThemeButton.tsx';

const UpkeepBar = lazy(() => import('../features/upkeep/UpkeepBar.tsx'));
const KeysDialog = lazy(() => import('./KeysDialog.tsx'));

const Bar = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 ${space.l};
  padding: 0 ${space.l};
  min-height: 52px;
  border-bottom: 1px solid ${color.zincLine};
  ${narrow} {
    padding: 0 ${space.m};
    gap: 0 ${space.s};
  }
`;
const Mark = styled.span`
  font-weight: 800;
  font-size: ${size.line};
  color: ${color.oxide};
  letter-spacing: 0.02em;
`;
const Nav = styled.nav`
  display: flex;
  gap: ${space.m};
  flex: 1;
  ${narrow} {
    gap: ${space.s};
  }
  a {
    min-height: ${touch};
    padding: 0 4px;
    white-space: nowrap;
    display: inline-flex;
    align-items: center;
    font-weight: 600;
    text-decoration: none;
    border-bottom: 3px solid transparent;
  }
  a[aria-current='page'] {
    color: ${color.ink};
    border-bottom-color: ${color.oxide};
  }
`;
const Who = styled(Quiet)`
  ${narrow} {
    display: none;
  }
`;
const Account = styled(Link)`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: ${space.s};
  min-height: ${touch};
  min-width: ${touch};
  text-decoration: none;
`;
/** Room for the docked log line, so that it never covers the end of a page. */
const Room = styled.div`
  padding-bottom: 190px;
`;
const OnDesk = styled.span`
  ${phone} {
    display: none;
  }
`;
/** What is of use with a keyboard only. */
const WithKeys = styled.span`
  ${narrow} {
    display: none;
  }
`;
/** On a phone the Floor leads there: the bar has no room. */
const OnDeskLink = styled(NavLink)`
  ${Nav} & {
    ${phone} {
      display: none;
    }
  }
`;
const Skip = styled.a`
  position: absolute;
  left: -999px;
  &:focus {
    left: ${space.m};
    top: ${space.s};
    z-index: 40;
    background: ${color.sheet};
    padding: ${space.s};
  }
`;

/** What an earlier page left to be sent can wait for the first screen. */
const WHEN_QUIET_MS = 1500;

export function Layout() {
  const { shop, person, seesPrices } = useShop();
  const navigate = useNavigate();
  const [keys, setKeys] = useState(false);
  useLive();
  useEffect(() => {
    sendAs(person.id, WHEN_QUIET_MS);
    void resumePhotos(person.id, WHEN_QUIET_MS);
    return () => sendAs(null);
  }, [person.id]);
  useKey('f', () => void navigate('/'));
  useKey('?', () => setKeys(true));
  return (
    <LogTarget>
      <Skip href="#page">To the page</Skip>
      <Bar>
        <Mark>Avrik</Mark>
        <Nav aria-label="Main">
          <NavLink to="/" end>
            Floor
          </NavLink>
          <OnDeskLink to="/plan">Plan</OnDeskLink>
          <OnDeskLink to="/parts" end>
            All parts
          </OnDeskLink>
          <OnDeskLink to="/outwork">Outwork</OnDeskLink>
          <OnDeskLink to="/bench">Bench</OnDeskLink>
          {seesPrices && <OnDeskLink to="/round">Letters</OnDeskLink>}
          {seesPrices && <NavLink to="/shop">Shop</NavLink>}
          {shop.isDemo && seesPrices && <NavLink to="/outbox">Outbox</NavLink>}
        </Nav>
        <Account to="/account" aria-label={`Your account: ${person.name}, ${shop.name}`}>
          <UserRound size={20} aria-hidden />
          <Who>
            {person.name}, {shop.name}
          </Who>
        </Account>
        <ThemeButton />
        <WithKeys>
          <Button $look="quiet" onPress={() => setKeys(true)} aria-label="Keys of this screen">
            ?
          </Button>
        </WithKeys>
        <OnDesk>
          <SignOutButton />
        </OnDesk>
      </Bar>
      <ReachBar />
      {/* With the first page, not after it: the router has loaded both. */}
      {seesPrices && <UpkeepBar />}
      <RunningBar />
      <Room id="page" tabIndex={-1}>
        <Outlet />
      </Room>
      <LogLine />
      <ScrollRestoration />
      {keys && (
        <Suspense>
          <KeysDialog onClose={() => setKeys(false)} />
        </Suspense>
      )}
    </LogTarget>
  );
}
