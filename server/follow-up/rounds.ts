import { asksOf } from '@/core/follow-up/asked-union';
import { isMilestone, type RoundKind } from '@/core/methods/milestones';
import { dateInZone } from '@/core/units/zoned-date';
import type { RoundRow } from '@/db/models/follow-up-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { parse } from '@/server/platform/parse';
import { groupedBy } from '@/core/units/grouped-by';
import type { PersonRow } from '@/db/models/club-rows';
import { holderOf } from '@/server/aftercare/hand-on';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getSite } from '@/server/club/sites';
import { getWorkshop } from '@/server/plan/workshops';
import { roundInput, closing } from '@/core/follow-up/round-input';

/** Opens a round that asks one milestone of the keepers of a workshop, all of them or those it names. */
export async function addRound(context: Context, workshopId: string, roundId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const workshop = await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the round'), roundId);
  const values = parse(roundInput, input, context.now);
  if (values.closesOn <= values.opensOn)
    throw new UseCaseError('invalid', 'The round must close after it opens.', {
      closesOn: 'Must be after the opening.',
    });
  if (values.opensOn < workshop.date)
    throw new UseCaseError('invalid', 'The round cannot open before the workshop.', {
      opensOn: 'Before the workshop.',
    });
  const milestone = values.milestone as RoundKind;
  try {
    await transact(db, async (transaction) => {
      if (await db.rounds.findOne({ where: { clubId, id: roundId }, transaction, raw: true })) return;
      const before = await db.rounds.findAll({ where: { clubId, workshopId, milestone }, transaction, raw: true });
      const sameTime = before.filter(
        ({ opensOn }) => isMilestone(milestone) || opensOn.slice(0, 4) === values.opensOn.slice(0, 4),
      );
      if (sameTime.some((round) => overlaps(round.asks, values.asks))) throw askedAlready();
      await db.rounds.create({ ...values, milestone, id: roundId, clubId, workshopId }, { transaction });
      await audit(db, transaction, { clubId, actorId: userId, action: 'round made', subjectId: roundId, at: now });
    });
  } catch (error) {
    if (isDuplicate(error)) throw askedAlready();
    throw error;
  }
}

/** Whether two rounds of a milestone would ask of the same unions; nothing named is all of them. */
function overlaps(asks: string, others: string): boolean {
  return asks === '' || others === '' || asks.split(' ').some((made) => others.split(' ').includes(made));
}

function askedAlready(): UseCaseError {
  return new UseCaseError('conflict', 'This is asked already by a round. Move that round’s closing day instead.', {
    milestone: 'Asked already.',
  });
}

/** Moves the day a round closes, to lengthen it or to close it now. */
export async function moveClosing(context: Context, roundId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const { closesOn } = parse(closing, input, context.now);
  if (closesOn < round.opensOn)
    throw new UseCaseError('invalid', 'The round cannot close before it opens.', { closesOn: 'Before the opening.' });
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    await db.rounds.update({ closesOn }, { where: { clubId, id: roundId }, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'round moved', subjectId: roundId, at: now });
  });
}

export async function getRound(context: Context, roundId: string): Promise<RoundRow> {
  allow(context, 'viewer');
  const round = await context.db.rounds.findOne({ where: { clubId: context.actor.clubId, id: roundId }, raw: true });
  if (!round) throw notFound('The round');
  return round;
}

/** Today at the site of a workshop. */
export async function todayAt(context: Context, workshopId: string): Promise<string> {
  const workshop = await getWorkshop(context, workshopId);
  const site = await getSite(context, workshop.siteId);
  return dateInZone(context.now, site.timeZone);
}

/** Someone who has keepers, or the club where they stay with it. */
export interface Grower {
  /** Null for the club. */
  person: PersonRow | null;
  /** The seat they were made at; null where somebody has them who sat at none. */
  seatNumber: number | null;
  keepers: Keeper[];
}

/** Those who have keepers of a workshop, by the seat they were made at; voided keepers are nobody's. */
export async function growers(context: Context, workshopId: string): Promise<Grower[]> {
  const { db, actor } = context;
  const keepers = (await listKeepers(context, workshopId)).filter(({ voidedAt }) => !voidedAt);
  const handedTo = keepers.flatMap(({ holderId, withUs }) => (holderId && !withUs ? [holderId] : []));
  const others =
    handedTo.length === 0
      ? []
      : await db.people.findAll({ where: { clubId: actor.clubId, id: [...new Set(handedTo)] }, raw: true });
  const holders = groupedBy(keepers, (keeper) => (keeper.withUs ? '' : holderOf(keeper, keeper.seat)));
  return [...holders]
    .map(([holderId, own]): Grower => {
      const seat = own.map((keeper) => keeper.seat).find(({ personId }) => personId === holderId);
      return {
        person: seat?.person ?? others.find(({ id }) => id === holderId) ?? null,
        seatNumber: seat?.number ?? null,
        keepers: own,
      };
    })
    .sort((a, b) => (a.seatNumber ?? Infinity) - (b.seatNumber ?? Infinity));
}

/** Those a round asks, each with the keepers it asks of. */
export async function askedGrowers(
  context: Context,
  round: Pick<RoundRow, 'workshopId' | 'milestone' | 'asks'>,
): Promise<Grower[]> {
  return askedOf(round, await growers(context, round.workshopId));
}

/** The same of growers that were read already. */
export function askedOf(round: Pick<RoundRow, 'milestone' | 'asks'>, all: readonly Grower[]): Grower[] {
  return all.flatMap((grower) => {
    const keepers = grower.keepers.filter((keeper) => asksOf(round, keeper));
    return keepers.length > 0 ? [{ ...grower, keepers }] : [];
  });
}
