import { UNSET } from '@/db/unset';
import { Op } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { PasswordLinkRow, UserRow } from '@/db/models/club-rows';
import { transact } from '@/db/transact';
import { prepareAccountLetter } from './account-letters';
import { audit } from '@/server/platform/audit';
import type { Context, Services } from '@/server/platform/context';
import { deliverLetters } from '@/server/platform/outbox';
import { fitsAtPace } from '@/server/platform/fits-at-pace';
import { parse } from '@/server/platform/parse';
import { refuseCommonPassword } from './password-rules';
import { clearAttempts, limitAttempts } from '@/server/platform/rate-limit';
import { hashPassword, hashToken, makeToken } from '@/server/platform/secrets';
import { UseCaseError } from '@/server/platform/use-case-error';
import { changeInput, forgottenInput, setInput } from '@/core/club/password-input';

/** How long a link works, minutes: one that was asked for, and one that a lead hands to somebody new. */
const WORKS = { forgotten: 20, 'hand-over': 7 * 24 * 60 } as const;

/** Changes one's own password; every other session of the account ends. */
export async function changePassword(context: Context, input: unknown): Promise<void> {
  const { db, actor, now } = context;
  const values = parse(changeInput, input);
  const bucket = `changing the password of ${actor.userId}`;
  const user = (await db.users.findOne({ where: { id: actor.userId }, raw: true }))!;
  if (!(await fitsAtPace(context, bucket, user.passwordHash, values.old)))
    throw new UseCaseError('invalid', 'The password you have now is another one. Check it and try again.', {
      old: 'Not your password.',
    });
  refuseCommonPassword(values.password, [user.name, user.email, actor.clubName]);
  const passwordHash = await hashPassword(values.password);
  await transact(db, async (transaction) => {
    await db.users.update({ passwordHash }, { where: { id: user.id }, transaction });
    await db.sessions.destroy({ where: { userId: user.id, id: { [Op.ne]: actor.sessionId } }, transaction });
    await db.sessions.update({ confirmedAt: now }, { where: { id: actor.sessionId }, transaction });
    await db.passwordLinks.update(
      { usedAt: now },
      { where: { userId: user.id, purpose: 'forgotten', usedAt: UNSET }, transaction },
    );
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: user.id,
      action: 'password changed',
      subjectId: user.id,
      at: now,
    });
    await context.deeds.add(now, { what: 'password', userId: user.id, passwordHash });
  });
}

/** A link for a user, of which only the hash is kept. */
export function makePasswordLink(
  { publicUrl, now }: Pick<Services, 'publicUrl' | 'now'>,
  userId: string,
  purpose: PasswordLinkRow['purpose'],
): { row: PasswordLinkRow; url: string } {
  const token = makeToken();
  const expiresAt = new Date(now.getTime() + WORKS[purpose] * 60_000);
  return {
    row: { tokenHash: hashToken(token), userId, purpose, createdAt: now, expiresAt, usedAt: null },
    url: `${publicUrl}/password/${token}`,
  };
}

/** The answer to a forgotten password takes this long at least, ms, so that it tells nobody whether the address exists. */
const AT_LEAST = 400;

/**
 * Writes to whoever forgot their password, if the address is that of an account. What is answered, and
 * how soon, is the same whether it is or not.
 */
export async function forgotPassword(services: Services, input: unknown): Promise<void> {
  const { email: address } = parse(forgottenInput, input);
  await limitAttempts(services, `forgotten of ${address}`, 20, 60);
  await Promise.all([writeToForgetful(services, address), new Promise((resolve) => setTimeout(resolve, AT_LEAST))]);
}

async function writeToForgetful(services: Services, address: string): Promise<void> {
  const { db, now } = services;
  const user = await db.users.findOne({ where: { email: address }, raw: true });
  if (!user) return;
  // A mailbox is not flooded by somebody who asks again and again.
  const lately = await db.passwordLinks.count({
    where: { userId: user.id, purpose: 'forgotten', createdAt: { [Op.gt]: new Date(now.getTime() - 3_600_000) } },
  });
  if (lately >= 5) return;
  const { row, url } = makePasswordLink(services, user.id, 'forgotten');
  const letter = await prepareAccountLetter(services, user, 'A new password for Pear Bench', [
    `somebody asked for a new password for this address. If it was you, choose one here within ${WORKS.forgotten} minutes; the link works once:\n${url}`,
    'If it was not you, do nothing: your password stays as it is.',
  ]);
  await transact(db, async (transaction) => {
    await db.passwordLinks.create(row, { transaction });
    await letter.note(transaction);
  });
  await deliverLetters(services);
}

/** Whom a link lets choose a password. */
export interface OpenedLink {
  user: UserRow;
  purpose: PasswordLinkRow['purpose'];
  /** Has a password already, so that a handed-over link can only be accepted by signing in. */
  hasPassword: boolean;
  /** Clubs that ask them to join. */
  clubs: string[];
}

/** What a link opens; changes nothing, since mail programs look at links too. */
export async function openPasswordLink({ db, now }: Services, token: string): Promise<OpenedLink> {
  const link = await db.passwordLinks.findOne({ where: { tokenHash: hashToken(token) }, raw: true });
  if (!link)
    throw new UseCaseError(
      'not-found',
      'This link is not one of ours. Check that all of it was copied, or ask for a new one.',
    );
  if (link.usedAt || link.expiresAt <= now)
    throw new UseCaseError(
      'gone',
      'This link was used or has run out. Ask for a new one where you sign in, or ask the lead of your club.',
    );
  const user = (await db.users.findOne({ where: { id: link.userId }, raw: true }))!;
  const invitations =
    link.purpose === 'hand-over' ? await db.invitations.findAll({ where: { userId: user.id }, raw: true }) : [];
  const clubs = await db.clubs.findAll({ where: { id: invitations.map(({ clubId }) => clubId) }, raw: true });
  return { user, purpose: link.purpose, hasPassword: user.passwordHash !== null, clubs: clubs.map(({ name }) => name) };
}

/**
 * Sets a password by a link, once. All sessions of the account end; whoever was handed the link for a
 * first password joins the club that handed it.
 */
export async function setPasswordByLink(services: Services, input: unknown): Promise<void> {
  const { db, now } = services;
  const values = parse(setInput, input);
  const { user, purpose, hasPassword, clubs } = await openPasswordLink(services, values.token);
  if (purpose === 'hand-over' && hasPassword)
    throw new UseCaseError(
      'conflict',
      'You have a password already. Sign in with it, and say yes under “Your account”.',
    );
  refuseCommonPassword(values.password, [user.name, user.email, ...clubs]);
  const passwordHash = await hashPassword(values.password);
  await transact(db, async (transaction) => {
    const [used] = await db.passwordLinks.update(
      { usedAt: now },
      {
        where: { tokenHash: hashToken(values.token), usedAt: UNSET, expiresAt: { [Op.gt]: now } },
        transaction,
      },
    );
    if (used === 0)
      throw new UseCaseError('gone', 'This link was used in this moment. If it was not you, ask for a new one.');
    await db.users.update({ passwordHash }, { where: { id: user.id }, transaction });
    await db.sessions.destroy({ where: { userId: user.id }, transaction });
    // Whatever other links there were are worth nothing from now on.
    await db.passwordLinks.update({ usedAt: now }, { where: { userId: user.id, usedAt: UNSET }, transaction });
    if (purpose === 'hand-over') {
      for (const { clubId, role } of await db.invitations.findAll({
        where: { userId: user.id },
        transaction,
        raw: true,
      })) {
        await db.memberships.create({ clubId, userId: user.id, role }, { transaction });
        await audit(db, transaction, {
          clubId,
          actorId: user.id,
          action: 'invitation accepted',
          subjectId: user.id,
          at: now,
        });
        await services.deeds.add(now, { what: 'role', clubId, userId: user.id, role });
      }
      await db.invitations.destroy({ where: { userId: user.id }, transaction });
    }
    for (const { clubId } of await db.memberships.findAll({ where: { userId: user.id }, transaction, raw: true })) {
      await audit(db, transaction, {
        clubId,
        actorId: user.id,
        action: 'password set by link',
        subjectId: user.id,
        at: now,
      });
    }
    await services.deeds.add(now, { what: 'password', userId: user.id, passwordHash });
  });
  await clearAttempts(services, `sign-in as ${user.email}`);
}

/** A user without a password yet. */
export function newUser(address: string, name: string): UserRow {
  return { id: uuid(), email: address, name, passwordHash: null, lengthUnit: 'mm', temperatureUnit: 'C' };
}
