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
import type { Feature } from '../../http/routes.ts';
import { readDue } from './due.service.ts';
import * as m from './manner.service.ts';
import * as s from './letters.service.ts';
import { sayHere } from './writers.ts';

export function lettersRoutes(deps: Deps): Feature {
  return {
    lettersDue: { run: ({ who }) => readDue(deps, who) },
    mannerRead: { run: ({ who, params }) => m.readManner(deps, who, params.buildId) },
    mannerPut: {
      body: MannerPutDto,
      run: ({ who, params, body }) => m.putManner(deps, who, params.buildId, body),
    },
    letterWordsSave: { body: LetterWordsDto, run: ({ who, body }) => m.saveWords(deps, who, body) },
    lettersList: { run: ({ who, params }) => s.listLetters(deps, who, params.buildId) },
    letterDraft: {
      body: LetterDraftDto,
      run: ({ who, params, body }) => s.openLetter(deps, who, params.buildId, body),
    },
    letterRead: { run: ({ who, params }) => s.readLetter(deps, who, params.letterId) },
    letterSave: {
      body: LetterSaveDto,
      run: ({ who, params, body }) => s.saveLetter(deps, who, params.letterId, body),
    },
    letterRedraft: {
      body: LetterVersionDto,
      run: ({ who, params, body }) => s.redraft(deps, who, params.letterId, body),
    },
    letterHere: {
      body: LetterHereDto,
      run: ({ who, params, body }) => sayHere(deps, who, params.letterId, body),
    },
    letterSend: {
      body: LetterSendDto,
      run: ({ who, params, body }) => s.sendLetter(deps, who, params.letterId, body),
    },
  };
}
