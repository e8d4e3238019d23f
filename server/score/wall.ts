import { createHash } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { DayBlock } from '@/core/plan/benches/time-plan';
import { methodById } from '@/core/methods/registry';
import { written } from '@/core/units/prose';
import { shownTechnique } from '@/core/methods/shown-technique';
import { isReady } from '@/core/score/readiness/ready-rule';
import { judgeUnion, type UnionJudgement } from '@/core/score/rubric/judge-union';
import { faultShown } from '@/core/teach/fault-shown';
import { dateInZone, timeInZone } from '@/core/units/zoned-date';
import { commonestFault } from '@/core/score/wall/commonest-fault';
import type { WallState } from '@/core/score/wall/wall-state';
import { attemptOf } from './attempts';
import { dayBlocks } from '@/server/plan/bench-plan';
import { allow, type Context } from '@/server/platform/context';
import { quantities } from '@/server/plan/quantities';
import { groupByUnion } from './scored-unions';
import { type ScoringSettings, scoringSettings } from './scoring-settings';
import { practisedAs } from './keeper-permits';
import { openJudgement } from '@/server/platform/waiting-for-second';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats, type SeatedPerson } from '@/server/plan/seats';
import type { UnionRow, JudgementRow } from '@/db/models/union-rows';

/** The day's blocks, which take some reading and change seldom: for the wall they are read once. */
export async function wallBlocks(
  context: Context,
  workshopId: string,
): Promise<{ blocks: DayBlock[]; timeZone: string }> {
  const amounts = await quantities(context, workshopId);
  return { blocks: (await dayBlocks(context, workshopId, amounts)).blocks.blocks, timeZone: amounts.site.timeZone };
}

/**
 * The wall's state for somebody who asks for it again and again: worked out anew only when a union, a
 * seat or the settings changed, and once a minute for the clock and for names.
 */
export function wallFollower(
  context: Context,
  workshopId: string,
  blocks: Awaited<ReturnType<typeof wallBlocks>>,
): (now: Date) => Promise<WallState> {
  const {
    db,
    actor: { clubId },
  } = context;
  let known: { mark: string; state: WallState } | null = null;
  return async (now) => {
    const [row] = await db.sequelize.query<Record<string, unknown>>(
      `SELECT (SELECT MAX(changed_at) FROM unions WHERE club_id = :clubId AND workshop_id = :workshopId) AS unions, (SELECT CONCAT(COUNT(*), '/', SUM(absent)) FROM seats WHERE club_id = :clubId AND workshop_id = :workshopId) AS seats,
         (SELECT version FROM plan_parts WHERE club_id = :clubId AND workshop_id = :workshopId AND part = 'scoring') AS settings`,
      { replacements: { clubId, workshopId }, type: QueryTypes.SELECT },
    );
    const mark = JSON.stringify([row, Math.floor(now.getTime() / 60_000)]);
    if (known?.mark !== mark) known = { mark, state: await wallState({ ...context, now }, workshopId, blocks) };
    return known.state;
  };
}

/**
 * The room's progress for a projector. Says how many unions were seen and who is ready, never a
 * score; by name, by seat, or not at all. A union that waits for its second assessor counts as seen only.
 */
export async function wallState(
  context: Context,
  workshopId: string,
  { blocks, timeZone }: Awaited<ReturnType<typeof wallBlocks>>,
): Promise<WallState> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId, lengthUnit },
    now,
  } = context;
  const [workshop, seats, settings, all] = await Promise.all([
    db.workshops.findOne({ where: { clubId, id: workshopId }, raw: true }),
    listSeats(context, workshopId),
    scoringSettings(context, workshopId),
    db.unions.findAll({ where: { clubId, workshopId }, order: [['number', 'ASC']], raw: true }),
  ]);
  const [unions, keepers] = [
    all.filter(({ kind }) => kind === 'practice'),
    all.filter(({ kind }) => kind === 'keeper'),
  ];
  const byUnion = groupByUnion(
    await db.judgements.findAll({ where: { clubId, unionId: all.map(({ id }) => id) }, raw: true }),
  );
  const scored = unions.flatMap((union) => {
    const counts = openJudgement(union, byUnion.get(union.id) ?? []);
    return counts ? [{ union, counts }] : [];
  });
  const present = seats.filter(({ absent }) => !absent);
  const latest = [...scored].sort((a, b) => a.counts.madeAt.getTime() - b.counts.madeAt.getTime()).slice(-20);
  const judged = await judgedAgain(
    context,
    latest.map(({ counts }) => counts),
  );
  const practised = await practisedAs(context, workshop!, workshop!.method);
  const people = peopleOnWall(present, settings, unions, byUnion, scored, practised);
  const fault = commonestFault(judged.map(({ grades }) => grades));
  // How the lines of this very union lie tells more of a miss than a step does.
  const shown =
    fault && fault.point.id !== 'cambium'
      ? faultShown(
          shownTechnique(methodById(latest[fault.at]!.counts.method), workshop!.schools),
          fault.point.id,
          lengthUnit,
        )
      : null;
  const drawnFrom = fault && !shown ? judged[fault.at]!.assessment : null;
  const state = {
    title: workshop!.title,
    people: settings.wall === 'totals' ? [] : people,
    totals: {
      people: present.length,
      unions: people.reduce((sum, { seen }) => sum + seen, 0),
      keepers: keepers.filter(({ id }) => byUnion.has(id)).length,
      ready: people.filter(({ ready }) => ready).length,
    },
    fault: fault && {
      name: fault.point.name,
      good: written(fault.point.good, lengthUnit),
      how: written(fault.point.correction, lengthUnit),
      times: fault.times,
      outOf: fault.outOf,
      shown,
      union: drawnFrom && {
        side: drawnFrom.side({ unit: lengthUnit }),
        lines: drawnFrom.lines({ unit: lengthUnit }),
        point: fault.point.id,
      },
    },
    day: { blocks, now: dateInZone(now, timeZone) === workshop!.date ? timeInZone(now, timeZone) : null },
  };
  return {
    ...state,
    seq: Number.parseInt(createHash('sha1').update(JSON.stringify(state)).digest('hex').slice(0, 12), 16),
  };
}

/** Judgements by the rubrics they name, with their grades and drawings. */
async function judgedAgain(
  { db, actor: { clubId } }: Context,
  judgements: readonly JudgementRow[],
): Promise<UnionJudgement[]> {
  const rubrics = await db.rubrics.findAll({
    where: { clubId, id: [...new Set(judgements.map(({ rubricId }) => rubricId))] },
    raw: true,
  });
  return judgements.map(({ method, rubricId, measures, marks, stage }) =>
    judgeUnion(methodById(method), rubrics.find(({ id }) => id === rubricId)!.body, measures, marks, stage),
  );
}

/** Everybody who is present, and how far they are. */
function peopleOnWall(
  present: SeatedPerson[],
  settings: ScoringSettings,
  unions: UnionRow[],
  byUnion: Map<string, JudgementRow[]>,
  scored: { union: UnionRow; counts: JudgementRow }[],
  practised: (method: string) => boolean,
): WallState['people'] {
  return present.map(({ id, number, person }) => ({
    label: settings.wall === 'names' ? `${number} ${person.name ?? ERASED_NAME}` : String(number),
    seen: unions.filter((union) => union.seatId === id && byUnion.has(union.id)).length,
    ready: isReady(
      scored
        .filter(({ union, counts }) => union.seatId === id && practised(counts.method))
        .map(({ counts }) => attemptOf(counts)),
      settings.ready,
    ),
  }));
}
