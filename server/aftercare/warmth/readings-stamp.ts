import { allow, type Context } from '@/server/platform/context';
import { getPlace } from '../places/places';

/** How many readings of a place there are. */
export async function readingsStamp(context: Context, placeId: string): Promise<{ readings: number }> {
  allow(context, 'viewer');
  await getPlace(context, placeId);
  const readings = await context.db.placeReadings.sum('readings', {
    where: { clubId: context.actor.clubId, placeId },
  });
  return { readings: Number(readings) || 0 };
}
