/** One piece of what was said: in one line; what is in doubt of it with the two likely answers; opened, all of it can be put right. */
import { useQuery } from '@tanstack/react-query';
import { ChevronDown, ChevronRight, CircleMinus, Scissors } from 'lucide-react';
import { styled } from 'styled-components';
import { KIND_SPECS, type FactField } from '#core/log/kinds.ts';
import { useManner } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Mono, Quiet, Row } from '../../ui/parts.tsx';
import { color, size, space, touch } from '../../ui/tokens.ts';
import { CarSelect } from './CarSelect.tsx';
import { CutOrJoin } from './CutOrJoin.tsx';
import { knownQuery } from './entries.queries.ts';
import { factText } from './facts.ts';
import { SaidChips } from './SaidChips.tsx';
import { QuestionRow } from './QuestionRow.tsx';
import { questionOf } from './questions.ts';
import type { Dictation, Reviewed } from './useDictation.ts';

const Piece = styled.li`
  display: grid;
  border-bottom: 1px solid ${color.zincLine};
  border-left: 4px solid transparent;
  padding-left: ${space.s};
  overflow-wrap: anywhere;
  &[data-asks] {
    border-left-color: ${color.oxide};
    padding-bottom: ${space.xs};
  }
  &[data-open] {
    border-left-color: ${color.blueing};
    padding-bottom: ${space.m};
    gap: ${space.s};
  }
`;
const Line = styled.button`
  display: grid;
  grid-template-columns: auto 4.75rem minmax(0, 1fr);
  align-items: center;
  gap: ${space.s};
  min-height: ${touch};
  padding: 1px 0;
  text-align: left;
  line-height: 1.25;
  background: none;
  border: 0;
  cursor: pointer;
  small {
    font-size: ${size.small};
    font-weight: 600;
    color: ${color.zinc};
  }
`;

const FIGURES: readonly FactField[] = ['minutes', 'moneyMinor'];

interface Props {
  reviewed: Reviewed;
  dictation: Dictation;
  opened: Opened | null;
  onOpen: (opened: Opened | null) => void;
}

/** The piece that is open, and whether it is being cut; one at a time. */
export interface Opened {
  key: string;
  isCutting: boolean;
}

export function OneSaid({ reviewed, dictation, opened, onOpen }: Props) {
  const manner = useManner();
  const { key, piece, understood, is, asks } = reviewed;
  const { kind, facts } = understood;
  const isOpen = opened?.key === key;
  const question = questionOf(reviewed, dictation, isOpen);
  return (
    <Piece
      data-piece={key}
      {...(asks.length > 0 ? { 'data-asks': true } : {})}
      {...(isOpen ? { 'data-open': true } : {})}
    >
      <Line
        type="button"
        aria-expanded={isOpen}
        onClick={() => onOpen(isOpen ? null : { key, isCutting: false })}
      >
        {isOpen ? <ChevronDown size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />}
        <small>{is === 'next' ? 'Next' : KIND_SPECS[kind].word}</small>
        <span>
          <span data-words>{piece.text}</span>
          {FIGURES.filter((f) => facts[f] !== undefined).map((f) => (
            <Mono key={f} $brass>
              {' '}
              {factText(f, facts, manner)}
            </Mono>
          ))}
        </span>
      </Line>
      {question && <QuestionRow question={question} about={piece.text} />}
      {isOpen && <Whole {...{ reviewed, dictation, opened, onOpen }} />}
    </Piece>
  );
}

/** All that was understood of a piece, to be put right. */
function Whole({ reviewed, dictation, opened, onOpen }: Props) {
  const manner = useManner();
  const { data: known } = useQuery(knownQuery);
  const { key, piece, understood, is } = reviewed;
  const isCutting = opened?.isCutting ?? false;
  return (
    <>
      {is === 'next' ? (
        <Row>
          <Quiet>What is next for the car.</Quiet>
          <Button
            $look="quiet"
            aria-label={`A line of the logbook: ${piece.text}`}
            onPress={() => dictation.setIs(key, 'entry')}
          >
            A line of the logbook instead
          </Button>
        </Row>
      ) : (
        <SaidChips
          before={
            <CarSelect
              build={understood.build}
              about={piece.text}
              onBuild={(build) => dictation.setCar(key, build)}
            />
          }
          said={understood}
          {...{ manner, known }}
          onKind={(to) => dictation.answer(key, ['kind', 'tense', 'amount'], (r) => ({ ...r, kind: to }))}
          onAudience={(audience) => dictation.putRight(key, (r) => ({ ...r, audience }))}
          onFact={(field, value) =>
            dictation.putRight(key, (r) => ({ ...r, facts: { ...r.facts, [field]: value } }))
          }
        />
      )}
      {piece.because.length > 0 && <Quiet>Read so because of “{piece.because.join('”, “')}”.</Quiet>}
      <Row>
        <Button
          $look="quiet"
          aria-label={`Cut or join: ${piece.text}`}
          aria-expanded={isCutting}
          onPress={() => onOpen({ key, isCutting: !isCutting })}
        >
          <Scissors size={20} aria-hidden /> Cut or join
        </Button>
        <Button
          $look="quiet"
          aria-label={`Set aside: ${piece.text}`}
          onPress={() => dictation.setIs(key, 'chatter')}
        >
          <CircleMinus size={20} aria-hidden /> Set aside
        </Button>
      </Row>
      {isCutting && <CutOrJoin reviewed={reviewed} dictation={dictation} onDone={() => onOpen(null)} />}
    </>
  );
}
