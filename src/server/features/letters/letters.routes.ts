import { LetterDraftDto, LetterSaveDto, LetterVersionDto } from '#contract/letters.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './letters.service.ts';

export function lettersRoutes(deps: Deps): Feature {
  return {
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
    letterSend: handler({
      body: LetterVersionDto,
      run: ({ who, params, body }) => s.sendLetter(deps, who, params.letterId!, body),
    }),
    linkRenew: handler({ run: ({ who, params }) => s.renewLink(deps, who, params.buildId!) }),
    linkRevoke: handler({ run: ({ who, params }) => s.revokeLink(deps, who, params.buildId!) }),
  };
}
