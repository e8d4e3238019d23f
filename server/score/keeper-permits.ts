import { v5 } from 'uuid';
import { isReady } from '@/core/score/readiness/ready-rule';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { attemptOf } from './attempts';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { scoringSettings } from './scoring-settings';
import { groupByUnion } from './scored-unions';
import { openJudgement } from '@/server/platform/waiting-for-second';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { plannedMethods } from '@/server/plan/planned-methods';
import { listSeats } from '@/server/plan/seats';
import { notFound } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { permitInput } from '@/core/score/readiness/permit-input';

/** Whether somebody may make keepers, and why. */
export interface KeeperDoor {
  open: boolean;
  ready: boolean;
  /** Said by somebody instead of reckoned; the last word counts. */
  said: { may: boolean; reason: string; by: string; at: Date } | null;
}

/**
 * Who of a workshop may make keepers of a method: those who are ready by their practice of it, and those somebody let
 * through. Where the plan gives a method nothing to practise, all practice of the day counts. By seat.
 */
export async function keeperDoors(
  context: Context,
  workshopId: string,
  methodId: string | null = null,
): Promise<Map<string, KeeperDoor>> {
  const {
    db,
    actor: { clubId },
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const where = { clubId, workshopId };
  const [practised, seats, unions, permits, { ready: rule }] = await Promise.all([
    practisedAs(context, workshop, methodId ?? workshop.method),
    db.seats.findAll({ where, raw: true }),
    db.unions.findAll({ where: { ...where, kind: 'practice' }, order: [['number', 'ASC']], raw: true }),
    db.keeperPermits.findAll({
      where,
      order: [
        ['givenAt', 'ASC'],
        ['id', 'ASC'],
      ],
      raw: true,
    }),
    scoringSettings(context, workshopId),
  ]);
  const [judgements, givers] = await Promise.all([
    db.judgements.findAll({ where: { clubId, unionId: unions.map((union) => union.id) }, raw: true }),
    db.users.findAll({ where: { id: [...new Set(permits.map(({ givenBy }) => givenBy))] }, raw: true }),
  ]);
  const byUnion = groupByUnion(judgements);
  return new Map(
    seats.map((seat) => {
      const attempts = unions
        .filter(({ seatId }) => seatId === seat.id)
        .flatMap((union) => {
          // Whether a door stands open tells of a score too: what waits for its second assessor opens none yet.
          const counts = openJudgement(union, byUnion.get(union.id) ?? []);
          return counts && practised(counts.method) ? [attemptOf(counts)] : [];
        });
      const ready = isReady(attempts, rule);
      const last = permits.filter(({ seatId }) => seatId === seat.id).at(-1);
      const said = last
        ? {
            may: last.may,
            reason: last.reason,
            by: givers.find((giver) => giver.id === last.givenBy)?.name ?? 'a former member',
            at: last.givenAt,
          }
        : null;
      return [seat.id, { open: said?.may ?? ready, ready, said }];
    }),
  );
}

/** Which practice tells of the hands for a method. */
export async function practisedAs(
  context: Context,
  workshop: WorkshopRow,
  methodId: string,
): Promise<(method: string) => boolean> {
  const { body } = await plannedMethods(context, workshop);
  const planned = body.methods.find(({ method }) => method === methodId);
  return planned?.practiceEach ? (method) => method === methodId : () => true;
}

/** Lets people make keepers though they are not ready, or keeps them back though they are; kept with who said so and why. */
export async function permitKeepers(
  context: Context,
  workshopId: string,
  permitId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  parse(id('the permit'), permitId);
  const values = parse(permitInput, input);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const seats = new Set((await listSeats(context, workshopId)).map((seat) => seat.id));
  if (values.seatIds.some((seatId) => !seats.has(seatId))) throw notFound('One of the seats');
  const rows = [...new Set(values.seatIds)].map((seatId) => ({
    id: v5(seatId, permitId),
    clubId,
    workshopId,
    seatId,
    may: values.may,
    reason: values.reason,
    givenBy: userId,
    givenAt: now,
  }));
  try {
    await transact(db, async (transaction) => {
      await db.keeperPermits.bulkCreate(rows, { transaction });
      for (const { seatId } of rows)
        await audit(db, transaction, {
          clubId,
          actorId: userId,
          action: values.may ? 'keepers opened' : 'keepers closed',
          subjectId: seatId,
          at: now,
        });
    });
  } catch (error) {
    // The same permit again.
    if (!isDuplicate(error)) throw error;
  }
}
