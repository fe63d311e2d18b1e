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

export const lettersRoutes = {
  lettersDue: get('/api/letters', DESK).answers<DueView>(),
  mannerRead: get('/api/builds/:buildId/manner', DESK).of('none').answers<MannerView>(),
  mannerPut: put('/api/builds/:buildId/manner', DESK).takes<MannerPutDto>().answers<MannerView>(),
  letterWordsSave: put('/api/shop/letter-words', ['owner']).takes<LetterWordsDto>().answers<{ kept: true }>(),
  lettersList: get('/api/builds/:buildId/letters', DESK).answers<LetterRow[]>(),
  letterDraft: post('/api/builds/:buildId/letters', DESK).takes<LetterDraftDto>().answers<LetterView>(),
  letterRead: get('/api/letters/:letterId', DESK).answers<LetterView>(),
  letterSave: put('/api/letters/:letterId', DESK).takes<LetterSaveDto>().answers<LetterView>(),
  letterRedraft: post('/api/letters/:letterId/redraft', DESK).takes<LetterVersionDto>().answers<LetterView>(),
  letterHere: post('/api/letters/:letterId/here', DESK).takes<LetterHereDto>().answers<LetterHereView>(),
  letterSend: post('/api/letters/:letterId/send', DESK).takes<LetterSendDto>().answers<LetterView>(),
} as const;
