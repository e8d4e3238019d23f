import { beginLook } from '@/db/remembering';
import type { Context, Services } from '@/server/platform/context';
import { sessionOf } from './sign-in';

/** The context of somebody who only looks: the same question is asked of the database once, and not at all while nothing it is about has changed. */
export async function lookingContext(services: Services, token: string): Promise<Context | null> {
  const session = await sessionOf(services, token);
  if (!session) return null;
  const { actor, stamps } = session;
  const looking = beginLook(services.db, actor.clubId, stamps);
  return { ...services, actor, looking, db: looking.database() };
}
