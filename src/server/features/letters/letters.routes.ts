import {
  LetterDraftDto,
  LetterHereDto,
  LetterSaveDto,
  LetterSendDto,
  LetterVersionDto,
  LetterWordsDto,
  MannerPutDto,
} from '#contract/letters.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { readDue } from './due.service.ts';
import * as m from './manner.service.ts';
import * as s from './letters.service.ts';
import { sayHere } from './writers.ts';

export function lettersRoutes(deps: Deps): Feature {
  return {
    lettersDue: handler({ run: ({ who }) => readDue(deps, who) }),
    mannerRead: handler({ run: ({ who, params }) => m.readManner(deps, who, params.buildId!) }),
    mannerPut: handler({
      body: MannerPutDto,
      run: ({ who, params, body }) => m.putManner(deps, who, params.buildId!, body),
    }),
    letterWordsSave: handler({ body: LetterWordsDto, run: ({ who, body }) => m.saveWords(deps, who, body) }),
    lettersList: handler({ run: ({ who, params }) => s.listLetters(deps, who, params.buildId!) }),
    letterDraft: handler({
      body: LetterDraftDto,
      run: ({ who, params, body }) => s.openLetter(deps, who, params.buildId!, body),
    }),
    letterRead: handler({ run: ({ who, params }) => s.readLetter(deps, who, params.letterId!) }),
    letterSave: handler({
      body: LetterSaveDto,
      run: ({ who, params, body }) => s.saveLetter(deps, who, params.letterId!, body),
    }),
    letterRedraft: handler({
      body: LetterVersionDto,
      run: ({ who, params, body }) => s.redraft(deps, who, params.letterId!, body),
    }),
    letterHere: handler({
      body: LetterHereDto,
      run: ({ who, params, body }) => sayHere(deps, who, params.letterId!, body),
    }),
    letterSend: handler({
      body: LetterSendDto,
      run: ({ who, params, body }) => s.sendLetter(deps, who, params.letterId!, body),
    }),
  };
}
