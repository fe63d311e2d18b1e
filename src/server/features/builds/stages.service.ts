/** How a build ends and begins anew, and what of its customer and its name is put right. */
import type { BuildView, ClosedView, CustomerPutDto, StageDto } from '#contract/builds.ts';
import { stageInWords, whyNotStage } from '#core/builds/stages.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { addIn } from '../entries/index.ts';
import { notRoadworthyOf } from '../estimate/index.ts';
import * as q from './builds.queries.ts';
import { readIn, refuseTakenName } from './builds.service.ts';

/** Finished, handed over, closed, or opened again; the logbook says so. The same again changes nothing. */
export const setStage = (deps: Deps, who: SignedIn, buildId: string, dto: StageDto): Promise<BuildView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const key = await q.buildForUpdate(tx, buildId);
    const build = key && (await q.buildDetail(tx, buildId));
    if (!key || !build) throw notFound('build');
    if (build.stage === dto.to) return readIn(tx, deps, who, buildId);
    if (dto.from !== build.stage) throw changedMeanwhile('this build', await readIn(tx, deps, who, buildId));
    const change = {
      from: build.stage,
      to: dto.to,
      notRoadworthy: await notRoadworthyOf(tx, deps, buildId),
      isOwner: who.role === 'owner',
      word: dto.word ?? '',
      nameTaken: (await q.openBuildNamed(tx, build.nickname, buildId)) !== undefined,
    };
    const why = whyNotStage(change);
    if (why) throw invalidAt(why.field, why.reason);
    await q.saveStage(tx, { id: buildId, stage: dto.to, now: deps.clock.now() });
    await addIn(tx, deps, who, key, {
      id: dto.id,
      kind: 'decided',
      text: stageInWords(change).slice(0, 4000),
      facts: {},
      audience: 'shop',
    });
    return readIn(tx, deps, who, buildId);
  });

/** What a customer is called, where they are reached, and what the shop calls the build. */
export const putCustomer = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: CustomerPutDto,
): Promise<BuildView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const key = await q.buildForUpdate(tx, buildId);
    const build = key && (await q.buildDetail(tx, buildId));
    if (!key || !build) throw notFound('build');
    const nickname = dto.nickname.trim();
    if (nickname.toLowerCase() !== build.nickname.toLowerCase() && build.stage !== 'closed')
      await refuseTakenName(tx, buildId, nickname);
    const after = {
      id: build.customer_id,
      version: dto.version,
      name: dto.name.trim(),
      email: dto.email.trim(),
      phone: dto.phone.trim(),
      address: dto.address.trim(),
      language: dto.language,
    };
    if (!(await q.saveCustomer(tx, after)))
      throw changedMeanwhile('this customer', await readIn(tx, deps, who, buildId));
    if (nickname !== build.nickname) {
      await q.saveNickname(tx, buildId, nickname);
      await addIn(tx, deps, who, key, {
        id: dto.id,
        kind: 'note',
        text: `Called “${nickname}” from now on, before: “${build.nickname}”`,
        facts: {},
        audience: 'shop',
      });
    }
    return readIn(tx, deps, who, buildId);
  });

/** Builds that went home, the newest first; `search` is looked for in number, nickname, vehicle and customer. */
export const listClosed = (deps: Deps, who: SignedIn, search: string): Promise<ClosedView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ builds: await q.closedBuilds(tx, search.trim()) }));
