/** Routes of letters. */
import type {
  DueView,
  LetterDraftDto,
  LetterHereDto,
  LetterHereView,
  LetterRow,
  LetterSaveDto,
  LetterSendDto,
  LetterVersionDto,
  LetterView,
  LetterWordsDto,
  MannerPutDto,
  MannerView,
} from './letters.ts';
import { DESK } from './access.ts';
import { get, post, put } from './route.ts';

const mannerRead = get('/api/builds/:buildId/manner', DESK).of('none').answers<MannerView>().about('letters');

const letterRead = get('/api/letters/:letterId', DESK).answers<LetterView>().about('mail');

export const lettersRoutes = {
  lettersDue: get('/api/letters', DESK).answers<DueView>().about('letters', 'customers'),
  mannerRead,
  mannerPut: put('/api/builds/:buildId/manner', DESK).takes<MannerPutDto>().answersAs(mannerRead).of('none'),
  letterWordsSave: put('/api/shop/letter-words', ['owner'])
    .takes<LetterWordsDto>()
    .answers<{ kept: true }>()
    .about('letters'),
  lettersList: get('/api/builds/:buildId/letters', DESK).answers<LetterRow[]>().about('mail', 'letters'),
  letterDraft: post('/api/builds/:buildId/letters', DESK)
    .takes<LetterDraftDto>()
    .answersAs(letterRead, (letter) => ({ letterId: letter.id })),
  letterRead,
  letterSave: put('/api/letters/:letterId', DESK).takes<LetterSaveDto>().answersAs(letterRead),
  letterRedraft: post('/api/letters/:letterId/redraft', DESK).takes<LetterVersionDto>().answersAs(letterRead),
  letterHere: post('/api/letters/:letterId/here', DESK).takes<LetterHereDto>().answers<LetterHereView>(),
  letterSend: post('/api/letters/:letterId/send', DESK)
    .takes<LetterSendDto>()
    .answersAs(letterRead)
    .of('every build')
    .about('letters'),
} as const;
