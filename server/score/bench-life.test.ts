import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { benchChanges, openBench } from './bench';
import { putJudgement, withdrawJudgement } from './judgements';
import { rescoreWorkshop } from './rescoring';
import { putRubricEdits } from './rubric-editor';
import { putScoringSettings, USUAL_SCORING } from './scoring-settings';
import { closeSecondLooks } from './second-looks';
import { settleDouble } from './doubles';
import { judgementBody, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { rebuildUnionFacts } from '@/server/platform/union-facts';
import { UseCaseError } from '@/server/platform/use-case-error';
import { METHODS } from '@/core/methods/registry';

/*
 * A bench day at random: judgements, corrections, withdrawals, second looks, doubles settled either
 * way, rubrics changed and workshops scored again, in any order and by anybody. Whatever happened,
 * nothing is lost, and everybody who followed sees what somebody who comes new would see.
 */

type Role = 'lead' | 'assistant';
type Act =
  | { do: 'score'; by: Role; seat: number; number: number; hold: 'good' | 'poor' | 'fatal'; second: boolean }
  | { do: 'correct' | 'withdraw'; by: Role; nth: number }
  | { do: 'settle'; by: Role; as: 'one' | 'two'; nth: number }
  | { do: 'close-looks' }
  | { do: 'rescore' }
  | { do: 'weigh'; hold: number };

const role = fc.constantFrom<Role>('lead', 'assistant');
const act: fc.Arbitrary<Act> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({
      do: fc.constant('score' as const),
      by: role,
      seat: fc.nat(2),
      number: fc.integer({ min: 1, max: 3 }),
      hold: fc.constantFrom('good' as const, 'poor' as const, 'fatal' as const),
      second: fc.boolean(),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({ do: fc.constantFrom('correct' as const, 'withdraw' as const), by: role, nth: fc.nat(20) }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      do: fc.constant('settle' as const),
      by: role,
      as: fc.constantFrom('one' as const, 'two' as const),
      nth: fc.nat(20),
    }),
  },
  { weight: 1, arbitrary: fc.constantFrom<Act>({ do: 'close-looks' }, { do: 'rescore' }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('weigh' as const), hold: fc.integer({ min: 5, max: 15 }) }) },
);

let club: TestClub;
let workshop: TestWorkshop;
let rubricVersion = 0;
beforeAll(async () => {
  club = await testClub();
});

/** Does one thing; what a use case refuses is refused, anything else that goes wrong is a fault. */
async function perform(act: Act, saved: string[]): Promise<void> {
  const at = <T>(list: T[], nth: number): T | undefined => list[nth % Math.max(1, list.length)];
  try {
    if (act.do === 'score') {
      const id = uuid();
      await putJudgement(
        club.as(act.by),
        id,
        judgementBody(workshop, {
          seatId: workshop.seatIds[act.seat],
          number: act.number,
          marks: act.hold === 'good' ? {} : { hold: act.hold },
          second: act.second,
        }),
      );
      saved.push(id);
    } else if (act.do === 'correct') {
      const old = await club.services.db.judgements.findOne({
        where: { clubId: club.clubId, id: at(saved, act.nth) ?? '' },
        raw: true,
      });
      const union = old && (await club.services.db.unions.findOne({ where: { id: old.unionId }, raw: true }));
      if (!union) return;
      const id = uuid();
      await putJudgement(
        club.as(act.by),
        id,
        judgementBody(workshop, {
          seatId: union.seatId,
          number: union.number,
          marks: { tongue: 'poor' },
          correctsId: old.id,
        }),
      );
      saved.push(id);
    } else if (act.do === 'withdraw') {
      const id = at(saved, act.nth);
      if (id) await withdrawJudgement(club.as(act.by), id);
    } else if (act.do === 'settle') {
      const { unions } = await openBench(club.as(act.by), workshop.id);
      const double = at(
        unions.filter(({ likelyDouble }) => likelyDouble),
        act.nth,
      );
      if (double)
        await settleDouble(club.as(act.by), workshop.id, double.id, {
          as: act.as,
          judgementId: at(double.judgements, act.nth)!.id,
        });
    } else if (act.do === 'close-looks') await closeSecondLooks(club.as('lead'), workshop.id);
    else if (act.do === 'rescore') await rescoreWorkshop(club.as('lead'), workshop.id);
    else if (act.do === 'weigh')
      rubricVersion = await putRubricEdits(club.as('lead'), METHODS[0]!.id, {
        edits: { weights: { hold: act.hold, bind: 18 - act.hold } },
        version: rubricVersion,
        changeId: uuid(),
      });
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
  }
}

type Seen = Pick<Awaited<ReturnType<typeof openBench>>, 'unions' | 'unseen' | 'takenAt'>;
const open = (by: Role): Promise<Seen> => openBench(club.as(by), workshop.id);
const byId = <T extends { id: string }>(list: readonly T[]): T[] => [...list].sort((a, b) => a.id.localeCompare(b.id));

/** What a device that has `seen` makes of what changed since. */
async function follow(by: Role, seen: Seen): Promise<Seen> {
  const { unions, gone, unseen, takenAt } = await benchChanges(club.as(by), workshop.id, new Date(seen.takenAt));
  const changed = new Set([...gone, ...unions.map(({ id }) => id)]);
  return { unions: [...seen.unions.filter(({ id }) => !changed.has(id)), ...unions], unseen, takenAt };
}

describe('a bench day at random', () => {
  it('loses nothing, and whoever followed it sees what somebody who comes new would see', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 4, maxLength: 14 }), async (acts) => {
        workshop = await testWorkshop(club);
        await putScoringSettings(club.as('lead'), workshop.id, {
          ...USUAL_SCORING,
          blindRate: 0.5,
          changeId: uuid(),
          version: 0,
        });
        const { db } = club.services;
        const followed = { lead: await open('lead'), assistant: await open('assistant') };
        const saved: string[] = [];
        for (const act of acts) {
          await perform(act, saved);
          for (const by of ['lead', 'assistant'] as const) {
            followed[by] = await follow(by, followed[by]);
          }
        }
        const unions = await db.unions.findAll({ where: { clubId: club.clubId, workshopId: workshop.id }, raw: true });
        const rows = await db.judgements.findAll({
          where: { clubId: club.clubId, unionId: unions.map(({ id }) => id) },
          raw: true,
        });
        // All that was saved is there, each once, with whoever made it; scoring again only adds.
        expect(
          rows
            .filter(({ rescoredBy }) => rescoredBy === null)
            .map(({ id }) => id)
            .sort(),
        ).toEqual([...saved].sort());
        // No two unions of a seat have one number, and none corrects what another corrects too.
        expect(new Set(unions.map(({ seatId, number }) => `${seatId} ${number}`)).size).toBe(unions.length);
        const live = rows.flatMap(({ liveCorrectsId }) => liveCorrectsId ?? []);
        expect(new Set(live).size).toBe(live.length);
        for (const by of ['lead', 'assistant'] as const) {
          const fresh = await open(by);
          expect(byId(followed[by].unions)).toEqual(byId(fresh.unions));
          expect(byId(followed[by].unseen)).toEqual(byId(fresh.unseen));
          // What is kept from them is kept from them altogether.
          for (const { id } of fresh.unseen) expect(JSON.stringify(fresh.unions)).not.toContain(id);
          for (const union of fresh.unions) expect(union.judgements.map(({ id }) => id)).toContain(union.counts);
        }
        const facts = async () =>
          (await db.unionFacts.findAll({ where: { clubId: club.clubId, workshopId: workshop.id }, raw: true })).sort(
            (a, b) => a.unionId.localeCompare(b.unionId),
          );
        const before = await facts();
        await rebuildUnionFacts(db, club.clubId);
        expect(await facts()).toEqual(before);
      }),
      { numRuns: 20, endOnFailure: true },
    );
  }, 120_000);
});
