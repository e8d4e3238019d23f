import { ownPasswordInput } from '@/core/club/own-password';
import { Op } from 'sequelize';
import { boolean, object } from 'yup';
import type { Context } from '@/server/platform/context';
import { id } from '@/core/inputs/fields';
import { fitsAtPace } from '@/server/platform/fits-at-pace';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** A session as its owner sees it. */
export interface OwnSession {
  id: string;
  device: string;
  createdAt: Date;
  seenAt: Date;
  keptOffline: boolean;
  /** The one that asks. */
  here: boolean;
}

/** One's own sessions, the latest used first. */
export async function ownSessions({ db, actor, now }: Context): Promise<OwnSession[]> {
  const rows = await db.sessions.findAll({
    where: { userId: actor.userId, expiresAt: { [Op.gt]: now } },
    order: [
      ['seenAt', 'DESC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
  return rows.map(({ id: sessionId, device, createdAt, seenAt, keptOffline }) => ({
    id: sessionId,
    device,
    createdAt,
    seenAt,
    keptOffline,
    here: sessionId === actor.sessionId,
  }));
}

/** Ends one of one's own sessions, wherever it is. */
export async function endSession({ db, actor }: Context, sessionId: string): Promise<void> {
  const ended = await db.sessions.destroy({ where: { userId: actor.userId, id: sessionId } });
  if (ended === 0) throw notFound('This session');
}

/** Ends all of one's own sessions but the one that asks. */
export async function endOtherSessions({ db, actor }: Context): Promise<void> {
  await db.sessions.destroy({ where: { userId: actor.userId, id: { [Op.ne]: actor.sessionId } } });
}

const keepInput = object({ keptOffline: boolean().strict().required('Say whether this device keeps a bench.') });

/** Notes that this session's device keeps a bench for no reception: it may stay away for days. */
export async function keepSession({ db, actor }: Context, input: unknown): Promise<void> {
  const { keptOffline } = parse(keepInput, input);
  await db.sessions.update({ keptOffline }, { where: { id: actor.sessionId } });
}

/** Confirms with the password that the owner of a session sits before it. */
export async function confirmSession(context: Context, input: unknown): Promise<void> {
  const { db, actor, now } = context;
  const { password } = parse(ownPasswordInput, input);
  const bucket = `confirming ${actor.userId}`;
  const user = await db.users.findOne({ where: { id: actor.userId }, raw: true });
  if (!(await fitsAtPace(context, bucket, user?.passwordHash ?? null, password)))
    throw new UseCaseError('invalid', 'This is not your password. Check it and try again.', {
      password: 'Not your password.',
    });
  await db.sessions.update({ confirmedAt: now }, { where: { id: actor.sessionId } });
}

/** Minutes for which an entered password stands. */
const CONFIRMED = 15;

/** Refuses what decides over others until the password was entered again a short while ago. */
export function needConfirmed({ actor, now }: Context): void {
  if (actor.confirmedAt && now.getTime() - actor.confirmedAt.getTime() < CONFIRMED * 60_000) return;
  throw new UseCaseError('forbidden', 'Enter your password once more before you change who belongs to the club.', {
    confirm: 'Enter your password.',
  });
}

const clubInput = object({ clubId: id('the club') });

/** Goes on in another of one's clubs. */
export async function changeClub({ db, actor }: Context, input: unknown): Promise<void> {
  const { clubId } = parse(clubInput, input);
  if (!(await db.memberships.findOne({ where: { clubId, userId: actor.userId }, raw: true })))
    throw notFound('This club');
  await db.sessions.update({ clubId }, { where: { id: actor.sessionId } });
}
