import { Fragment, useState } from 'react';
import { useLocation } from 'react-router';
import { styled } from 'styled-components';
import { keysAreOff, setKeysOff } from '../shared/keys.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Key, Row } from '../ui/parts.tsx';
import { space, touch } from '../ui/tokens.ts';

const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: ${space.s} ${space.l};
`;
const Switch = styled.label`
  display: flex;
  gap: ${space.m};
  align-items: center;
  min-height: ${touch};
  input {
    width: 22px;
    height: 22px;
  }
`;

const EVERYWHERE: [string, string][] = [
  ['L', 'Write in the log line'],
  ['Enter', 'Keep the line'],
  ['Esc', 'Leave the log line, or a dialog'],
  ['F', 'To the Floor'],
  ['?', 'This list'],
];
const BUILD: [string, string][] = [
  ['S', 'Search this logbook'],
  ['D', 'Draft an update'],
  ['O', 'Look it over'],
  ['G', 'Measure it'],
  ['W', 'The work'],
  ['A', 'Its parts'],
  ['J', 'Jobs'],
  ['T', 'What is off it'],
  ['C', 'What causes it'],
  ['R', 'What is to be put right'],
  ['E', 'To the estimate'],
  ['M', 'What it costs'],
  ['P', 'Photos'],
  ['V', 'Vehicle'],
  ['B', 'Documents'],
];
const INSPECTION: [string, string][] = [
  ['↑ ↓', 'From checkpoint to checkpoint'],
  ['1', 'Fine'],
  ['2', 'Finding'],
  ['3', 'Could not see'],
];
const WALK: [string, string][] = [
  ['N', 'The next car'],
  ['B', 'The one before'],
];
const ROUND: [string, string][] = [
  ['N', 'The next letter'],
  ['B', 'The one before'],
  ['S', 'Send this one'],
];
const WORK: [string, string][] = [['N', 'New task']];
const PARTS: [string, string][] = [['N', 'New part']];
const PIECES: [string, string][] = [['N', 'What came off']];
const SNAGS: [string, string][] = [['N', 'To put right']];
const ESTIMATE: [string, string][] = [['N', 'New line']];

function keysOf(pathname: string): [string, string][] {
  if (pathname === '/round') return ROUND;
  if (pathname === '/walk') return WALK;
  if (pathname.endsWith('/estimate')) return ESTIMATE;
  if (pathname.endsWith('/work')) return WORK;
  if (pathname.endsWith('/snags')) return SNAGS;
  if (/^\/builds\/.*\/parts$/.test(pathname)) return PARTS;
  if (pathname.endsWith('/pieces')) return PIECES;
  if (pathname.endsWith('/inspection')) return INSPECTION;
  return pathname.startsWith('/builds/') && !/(?:photos|vehicle|causes|jobs)$/.test(pathname) ? BUILD : [];
}

export default function KeysDialog({ onClose }: { onClose: () => void }) {
  const [off, setOff] = useState(keysAreOff);
  const { pathname } = useLocation();
  const own = keysOf(pathname);
  const keys = [...own, ...EVERYWHERE];
  return (
    <Dialog title="Keys of this screen" isOpen onClose={onClose}>
      <List>
        {keys.map(([key, act]) => (
          <Fragment key={key}>
            <dt>
              <Key>{key}</Key>
            </dt>
            <dd>{act}</dd>
          </Fragment>
        ))}
      </List>
      <Switch>
        <input
          type="checkbox"
          checked={!off}
          onChange={(e) => {
            setKeysOff(!e.target.checked);
            setOff(!e.target.checked);
          }}
        />
        Single-letter keys work
      </Switch>
      <Row>
        <Button onPress={onClose}>Close</Button>
      </Row>
    </Dialog>
  );
}
