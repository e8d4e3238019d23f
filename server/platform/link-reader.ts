import type { Context, Services } from './context';

/**
 * Who reads by a private link: a viewer of the club that gave it, in no session and with the units of the trade.
 * What a link opens is for the use case that knows the link to say.
 */
export function linkReader(services: Services, club: { id: string; name: string }): Context {
  return {
    ...services,
    actor: {
      userId: '',
      clubId: club.id,
      role: 'viewer',
      name: '',
      clubName: club.name,
      lengthUnit: 'mm',
      temperatureUnit: 'C',
      sessionId: '',
      confirmedAt: null,
    },
  };
}
