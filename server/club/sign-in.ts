import { createHash } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { Op, QueryTypes } from 'sequelize';
import type { Stamps } from '@/db/remembering';
import { LOG, loggedStampsSql } from '@/db/table-changes';
import { EVERYBODY } from '@/db/stamped-tables';
import type { Actor, Services } from '@/server/platform/context';
import { PER_ACCOUNT } from '@/server/platform/fits-at-pace';
import { oneAtATime } from '@/server/platform/one-at-a-time';
import { parse } from '@/server/platform/parse';
import { clearAttempts, giveBackAttempt } from '@/server/platform/rate-limit';
import { hashToken, makeToken, passwordFits } from '@/server/platform/secrets';
import { slowDown } from '@/server/platform/slow-down';
import { UseCaseError } from '@/server/platform/use-case-error';
import { credentials } from '@/core/club/sign-in-input';

const SESSION_DAYS = 14;
/** Hours without a call after which a session is over, unless a bench is kept on its device. */
const IDLE_HOURS = 24;
/** How exactly it is known when a session was last used, minutes: each note of it is a write. */
const SEEN_EVERY = 5;

/** From a network that the account's owner has signed in from: they mistype, and whoever sits beside them may guess. */
const AT_HOME = { free: 8, first: 10, most: 60 };
/** From one network at any accounts that have not signed in from there. */
const PER_NETWORK = { free: 60, first: 2, most: 60 };

/**
 * Signs in and returns the session's token, which exists in clear only in the answer.
 *
 * @param from network address of the caller, for the pace of attempts.
 * @param device browser and system, in words.
 */
export async function signIn(
  services: Services,
  input: unknown,
  from: string,
  device = '',
): Promise<{ token: string; expiresAt: Date }> {
  const { email: address, password } = parse(credentials, input);
  const { db, now } = services;
  const user = await db.users.findOne({ where: { email: address }, raw: true });
  const networkHash = hashOfNetwork(from);
  // Asked for unknown addresses too, so that time tells nobody which exist.
  const known = await db.knownNetworks.findOne({ where: { userId: user?.id ?? '', networkHash }, raw: true });
  const account = known ? `sign-in as ${address} at home ${networkHash}` : `sign-in as ${address}`;
  const network = `sign-in from ${networkHash}`;
  const tryPassword = async () => {
    await slowDown(services, account, known ? AT_HOME : PER_ACCOUNT);
    if (!known) await slowDown(services, network, PER_NETWORK);
    if (!(await passwordFits(user?.passwordHash ?? null, password)) || !user) {
      throw new UseCaseError(
        'signed-out',
        'E-mail address and password do not fit together. Check both and try again.',
      );
    }
    // A whole workshop signs in from one network; only what fails counts against it.
    if (!known) await giveBackAttempt(services, network);
    await clearAttempts(services, account);
    return user;
  };
  // One after the other, so that right passwords that arrive together are not taken for guesses. Always network, then account.
  const atAccount = () => oneAtATime(account, tryPassword);
  const { id: userId } = await (known ? atAccount() : oneAtATime(network, atAccount));
  const membership = await db.memberships.findOne({ where: { userId }, order: [['clubId', 'ASC']], raw: true });
  if (!membership)
    throw new UseCaseError(
      'forbidden',
      'Your account belongs to no club. Ask its lead to add you, and open the link they give you.',
    );
  await db.knownNetworks.upsert({ userId, networkHash, seenAt: now });
  return openSession(services, userId, membership.clubId, device);
}

/** What is kept of a network: for IPv6 the 64 bits that a household shares. */
function hashOfNetwork(from: string): string {
  const address = from.replace(/^::ffff:(?=\d+\.)/, '');
  const network = address.includes(':') ? address.split(':').slice(0, 4).join(':') : address;
  return createHash('sha256').update(network).digest('hex');
}

export async function openSession(
  { db, now }: Services,
  userId: string,
  clubId: string,
  device = '',
): Promise<{ token: string; expiresAt: Date }> {
  const token = makeToken();
  const expiresAt = new Date(now.getTime() + SESSION_DAYS * 86_400_000);
  await db.sessions.create({
    tokenHash: hashToken(token),
    id: uuid(),
    userId,
    clubId,
    createdAt: now,
    expiresAt,
    seenAt: now,
    confirmedAt: now,
    device: device.slice(0, 120),
    keptOffline: false,
  });
  return { token, expiresAt };
}

/** Ends a session on the server; its cookie is worth nothing from then on. */
export async function signOut({ db }: Services, token: string): Promise<void> {
  await db.sessions.destroy({ where: { tokenHash: hashToken(token) } });
}

/** Removes sessions that are over; they opened nothing any more. */
export async function forgetOldSessions({ db, now }: Pick<Services, 'db' | 'now'>): Promise<void> {
  await db.sessions.destroy({
    where: { [Op.or]: [{ expiresAt: { [Op.lte]: now } }, { keptOffline: false, seenAt: { [Op.lt]: idleSince(now) } }] },
  });
}

function idleSince(now: Date): Date {
  return new Date(now.getTime() - IDLE_HOURS * 3_600_000);
}

type KnownSession = Actor & {
  expiresAt: Date;
  seenAt: Date;
  keptOffline: number;
  stamps: string | Stamps | null;
  logged: string | Stamps;
};

/** The database's JSON, which some drivers give as text. */
const stampsIn = (json: string | Stamps): Stamps => (typeof json === 'string' ? (JSON.parse(json) as Stamps) : json);

/** Who a session's token stands for, or null when it is unknown, over, idle for too long, or its membership is gone. */
export async function actorOf(services: Pick<Services, 'db' | 'now'>, token: string): Promise<Actor | null> {
  return (await sessionOf(services, token))?.actor ?? null;
}

/** The same, with the stamps that the club's tables bear at this moment. */
export async function sessionOf(
  { db, now }: Pick<Services, 'db' | 'now'>,
  token: string,
): Promise<{ actor: Actor; stamps: Stamps | null } | null> {
  const tokenHash = hashToken(token);
  // One statement, since every call of every page begins with it.
  const [known] = await db.sequelize.query<KnownSession>(
    `SELECT s.user_id AS userId, s.club_id AS clubId, s.id AS sessionId, s.expires_at AS expiresAt, s.seen_at AS seenAt, s.confirmed_at AS confirmedAt, s.kept_offline AS keptOffline,
      m.role, u.name, c.name AS clubName, u.length_unit AS lengthUnit, u.temperature_unit AS temperatureUnit,
      (SELECT JSON_OBJECTAGG(t.table_name, t.stamp) FROM table_stamps t WHERE t.club_id IN (s.club_id, :everybody)) AS stamps,
      ${loggedStampsSql('s.club_id')} AS logged
     FROM sessions s JOIN users u ON u.id = s.user_id JOIN clubs c ON c.id = s.club_id JOIN memberships m ON m.user_id = s.user_id AND m.club_id = s.club_id WHERE s.token_hash = :tokenHash`,
    { replacements: { tokenHash, everybody: EVERYBODY }, type: QueryTypes.SELECT },
  );
  if (!known || known.expiresAt <= now || (!known.keptOffline && known.seenAt < idleSince(now))) return null;
  if (now.getTime() - known.seenAt.getTime() > SEEN_EVERY * 60_000)
    await db.sessions.update({ seenAt: now }, { where: { tokenHash } });
  const { userId, clubId, sessionId, confirmedAt, role, name, clubName, lengthUnit, temperatureUnit } = known;
  const stamps = known.stamps === null ? null : stampsIn(known.stamps);
  // A server without triggers has no stamps, and its log stays empty.
  const all = stamps?.[LOG] ? { ...stamps, ...stampsIn(known.logged) } : null;
  return {
    actor: { userId, clubId, sessionId, confirmedAt, role, name, clubName, lengthUnit, temperatureUnit },
    stamps: all,
  };
}
