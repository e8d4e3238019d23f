import { Op, QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { object, string } from 'yup';
import type { Actor, Services } from './context';
import { email } from './fields';
import { parse } from './parse';
import { clearAttempts, giveBackAttempt, limitAttempts } from './rate-limit';
import { hashToken, makeToken, passwordFits } from './secrets';
import { UseCaseError } from './use-case-error';

const SESSION_DAYS = 14;
const ATTEMPTS_PER_ACCOUNT = 8;
const ATTEMPTS_PER_ADDRESS = 60;
const WINDOW_MINUTES = 15;

const credentials = object({
  email: email().required('Enter your e-mail address.'),
  password: string().strict().required('Enter your password.').max(200, 'A password has 200 characters at most.'),
});

/**
 * Signs in and returns the session's token, which exists in clear only in the answer.
 *
 * @param from network address of the caller, for the limit on attempts.
 */
export async function signIn(services: Services, input: unknown, from: string): Promise<{ token: string; expiresAt: Date }> {
  const { email: address, password } = parse(credentials, input);
  await limitAttempts(services, `sign-in from ${from}`, ATTEMPTS_PER_ADDRESS, WINDOW_MINUTES);
  await limitAttempts(services, `sign-in as ${address}`, ATTEMPTS_PER_ACCOUNT, WINDOW_MINUTES);
  const { db } = services;
  const user = await db.users.findOne({ where: { email: address }, raw: true });
  if (!(await passwordFits(user?.passwordHash ?? null, password)) || !user) {
    throw new UseCaseError('signed-out', 'E-mail address and password do not fit together. Check both and try again.');
  }
  const membership = await db.memberships.findOne({ where: { userId: user.id }, order: [['clubId', 'ASC']], raw: true });
  if (!membership) throw new UseCaseError('forbidden', 'Your account belongs to no club any more. Ask its lead to add you again.');
  await clearAttempts(services, `sign-in as ${address}`);
  // A whole workshop signs in from one address; only what fails counts against it.
  await giveBackAttempt(services, `sign-in from ${from}`);
  return openSession(services, user.id, membership.clubId);
}

export async function openSession({ db, now }: Services, userId: string, clubId: string): Promise<{ token: string; expiresAt: Date }> {
  const token = makeToken();
  const expiresAt = new Date(now.getTime() + SESSION_DAYS * 86_400_000);
  await db.sessions.create({ tokenHash: hashToken(token), id: uuid(), userId, clubId, createdAt: now, expiresAt, seenAt: now, confirmedAt: now, device: '', keptOffline: false });
  return { token, expiresAt };
}

/** Ends a session on the server; its cookie is worth nothing from then on. */
export async function signOut({ db }: Services, token: string): Promise<void> {
  await db.sessions.destroy({ where: { tokenHash: hashToken(token) } });
}

/** Removes sessions that are over; they opened nothing any more. */
export async function forgetOldSessions({ db, now }: Pick<Services, 'db' | 'now'>): Promise<void> {
  await db.sessions.destroy({ where: { expiresAt: { [Op.lte]: now } } });
}

/** Who a session's token stands for, or null when it is unknown, over, or its membership is gone. */
export async function actorOf({ db, now }: Pick<Services, 'db' | 'now'>, token: string): Promise<Actor | null> {
  // One statement, since every call of every page begins with it.
  const [known] = await db.sequelize.query<Actor & { expiresAt: Date }>(
    `SELECT s.user_id AS userId, s.club_id AS clubId, s.expires_at AS expiresAt, m.role, u.name, c.name AS clubName, u.length_unit AS lengthUnit, u.temperature_unit AS temperatureUnit
     FROM sessions s JOIN users u ON u.id = s.user_id JOIN clubs c ON c.id = s.club_id JOIN memberships m ON m.user_id = s.user_id AND m.club_id = s.club_id WHERE s.token_hash = :hash`,
    { replacements: { hash: hashToken(token) }, type: QueryTypes.SELECT },
  );
  if (!known || known.expiresAt <= now) return null;
  const { userId, clubId, role, name, clubName, lengthUnit, temperatureUnit } = known;
  return { userId, clubId, role, name, clubName, lengthUnit, temperatureUnit };
}
