import { clubUnits } from './club-units';
import type { Context, Services } from './context';

/**
 * Who reads by a private link: a viewer of the club that gave it, in no session and with the club's units.
 * What a link opens is for the use case that knows the link to say.
 */
export async function linkReader(services: Services, club: { id: string; name: string }): Promise<Context> {
  return {
    ...services,
    actor: {
      userId: '',
      clubId: club.id,
      role: 'viewer',
      name: '',
      clubName: club.name,
      ...(await clubUnits(services.db, club.id)),
      sessionId: '',
      confirmedAt: null,
    },
  };
}
