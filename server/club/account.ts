import type { Context } from '@/server/platform/context';
import { type OwnClub, ownClubs } from './invitations';
import { type OwnSession, ownSessions } from './sessions';

/** What the page of one's own account shows. */
export async function ownAccount(
  context: Context,
): Promise<{ email: string; sessions: OwnSession[]; clubs: OwnClub[] }> {
  const [user, sessions, clubs] = await Promise.all([
    context.db.users.findOne({ where: { id: context.actor.userId }, raw: true }),
    ownSessions(context),
    ownClubs(context),
  ]);
  return { email: user!.email, sessions, clubs };
}
