/** A part as it stands, and what can be done with it next. */
import { Link } from 'react-router';
import type { PartView } from '#contract/parts.ts';
import type { PhotoView } from '#contract/photos.ts';
import { formatMoney } from '#core/money/money.ts';
import { actsFor, ASKED, isOverdue, type PartAct } from '#core/parts/parts.ts';
import { formatDay } from '#core/time/days.ts';
import { useManner, useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { ListLine, Mono, Now, Quiet, Row } from '../../ui/parts.tsx';
import { PhotoStrip } from '../photos/index.ts';
import { ACT_WORDS } from './words.ts';

const TO_BE_BOUGHT: readonly PartView['state'][] = ['to find', 'to order', 'ordered'];

interface PartRowProps {
  part: PartView;
  /** On the desk, whose it is. */
  names?: boolean;
  onAct: (act: PartAct) => void;
  onEdit: () => void;
  /** Photographs of what was done with it, where they are at hand. */
  photos?: readonly PhotoView[];
}

export function PartRow({ part, names = false, onAct, onEdit, photos = [] }: PartRowProps) {
  const { locale, currency, today } = useManner();
  const { seesPrices } = useShop();
  const late = isOverdue(part, today);
  const moves = part.history.filter((h) => h.act === 'new date').length;
  const acts = actsFor({ ...part, creditMinor: part.creditMinor ?? 0 }).filter(
    (act) => seesPrices || act !== 'credited',
  );
  const about = [
    part.unit && `for the ${part.unit}`,
    part.source !== 'supplier' && part.source,
    part.donor,
    part.sourceNote,
    part.vendor && `from ${part.vendor}`,
    part.line && `on “${part.line}”`,
  ].filter(Boolean);
  return (
    <ListLine id={part.id}>
      <div>
        {names && (
          <>
            <Link to={`/builds/${part.buildId}/parts`}>{part.nickname}</Link>:{' '}
          </>
        )}
        <b>
          {part.quantity > 1 && `${part.quantity} `}
          {part.what}
        </b>{' '}
        {part.number && <Mono>{part.number}</Mono>} <Quiet>{about.join(', ')}</Quiet>
        {part.state === 'ordered' && (
          <p>
            {part.due === null ? (
              <Quiet>no day named</Quiet>
            ) : late ? (
              <Now>was due {formatDay(part.due, locale, today)}</Now>
            ) : (
              <Quiet>due {formatDay(part.due, locale, today)}</Quiet>
            )}
          </p>
        )}
        {part.state === 'wrong' && <p>{part.history.at(-1)?.words}</p>}
        {moves > 0 && part.state === 'ordered' && (
          <Quiet>its day was moved {moves === 1 ? 'once' : `${moves} times`}</Quiet>
        )}
        {part.whyMayNotFit && (
          <p>
            <Now>May not fit:</Now> {part.whyMayNotFit}.
          </p>
        )}
        {part.supersededBy && TO_BE_BOUGHT.includes(part.state) && (
          <p>
            <Now>Superseded:</Now> order <Mono>{part.supersededBy}</Mono> instead.
          </p>
        )}
        {part.core !== null && part.core !== 'credited' && (
          <p>
            {part.core === 'to send' ? (
              <Now>The old one is to go back for its deposit.</Now>
            ) : (
              'The old one has gone back; its deposit is owed.'
            )}
          </p>
        )}
        {part.oldFate === ASKED && part.state === 'fitted' && (
          <p>
            <Now>The old one waits</Now> for the customer’s word: back to them, kept, or scrapped.
          </p>
        )}
        {part.instead && (
          <p>
            <Quiet>Instead:</Quiet> {part.instead}
            {part.insteadTriedBy && <Quiet>; tried by {part.insteadTriedBy}</Quiet>}
          </p>
        )}
        <PhotoStrip buildId={part.buildId} photos={photos} tall={64} />
        {part.priceMinor !== undefined && (
          <p>
            <Mono $brass>{formatMoney(part.priceMinor, currency, locale)}</Mono>
            {part.depositMinor !== undefined && (
              <Quiet> and {formatMoney(part.depositMinor, currency, locale)} deposit for the old one</Quiet>
            )}
            {part.creditMinor !== undefined && (
              <Quiet>, {formatMoney(part.creditMinor, currency, locale)} credited</Quiet>
            )}
          </p>
        )}
      </div>
      <Row>
        {acts.map((act, i) => (
          <Button
            key={act}
            {...(i === 0 && part.state !== 'fitted' ? {} : { $look: 'quiet' as const })}
            aria-label={`${ACT_WORDS[act]}: ${part.what}`}
            onPress={() => onAct(act)}
          >
            {ACT_WORDS[act]}
          </Button>
        ))}
        <Button $look="quiet" aria-label={`Change: ${part.what}`} onPress={onEdit}>
          Change
        </Button>
      </Row>
    </ListLine>
  );
}
