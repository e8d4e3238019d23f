import { outOfRange } from '@/core/aftercare/warmth/out-of-range';
import { assumptionsWith, callusRange } from '@/core/plan/phenology/assumptions';
import { formatTemperature } from '@/core/units/temperature';
import { isDuplicate, transact } from '@/db/transact';
import { getSite } from '@/server/club/sites';
import { prepareAccountLetter } from '@/server/club/account-letters';
import { audit } from '@/server/platform/audit';
import type { Context } from '@/server/platform/context';
import { deliverLetters } from '@/server/platform/outbox';
import { getPlace } from '../places/places';
import { placeRun } from './readings-store';

/** How far back a while out of range is looked for, ms. */
const LOOKED_BACK = 14 * 86_400_000;

/**
 * Writes to whoever watches a callus place when it is out of range for longer than they set, as far as its logger has
 * told: once for each while, however many readings follow.
 */
export async function writeWhenOutOfRange(context: Context, placeId: string): Promise<void> {
  const place = await getPlace(context, placeId);
  if (place.alertHours === null || place.alertTo === null || place.kin === '') return;
  const { db, actor, now } = context;
  const [site, last] = await Promise.all([
    getSite(context, place.siteId),
    db.placeReadings.findOne({ where: { placeId }, order: [['day', 'DESC']], attributes: ['day'], raw: true }),
  ]);
  const assumption = assumptionsWith(site.assumptions);
  const range = callusRange(place.kin, assumption);
  if (!range || !last) return;
  const run = await placeRun(db, placeId, { from: Date.parse(last.day) - LOOKED_BACK });
  const spell = outOfRange(run, range, place.alertHours).findLast(({ lasts }) => lasts);
  if (!spell) return;
  const [user, member] = await Promise.all([
    db.users.findOne({ where: { id: place.alertTo }, raw: true }),
    db.memberships.findOne({ where: { clubId: actor.clubId, userId: place.alertTo }, raw: true }),
  ]);
  // Whoever left the club is told nothing of it.
  if (!user || !member) return;
  const spellFrom = new Date(spell.from);
  if (await db.placeAlerts.findOne({ where: { placeId, spellFrom }, raw: true })) return;
  const degrees = (value: number): string => formatTemperature(value, user.temperatureUnit);
  const hours = Math.round(spell.hours * 10) / 10;
  const letter = await prepareAccountLetter(context, user, `${place.name}: too ${spell.side} for ${hours} hours`, [
    `${place.name} at ${site.name} has been too ${spell.side} for ${hours} hours, ${spell.side === 'hot' ? 'up' : 'down'} to ${degrees(spell.worst)}. Grafts in it knit between ${degrees(range.from)} and ${degrees(range.to)}.`,
    spell.side === 'hot'
      ? `Take the cover off or turn the heat down. Above ${degrees(assumption('callus-stop').value)} callus fails for nearly all.`
      : 'Look at the heating. Cold stops the knitting; it goes on when it is warm again.',
    `${context.publicUrl}/places/${placeId}`,
  ]);
  try {
    await transact(db, async (transaction) => {
      await db.placeAlerts.create(
        { placeId, spellFrom, clubId: actor.clubId, sentAt: now, letterId: letter.id },
        { transaction },
      );
      await letter.note(transaction);
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: null,
        action: 'letter about a place out of range',
        subjectId: placeId,
        at: now,
      });
    });
  } catch (error) {
    // Readings that came at the same time have written it.
    if (isDuplicate(error)) return;
    throw error;
  }
  await deliverLetters(context, actor.clubId);
}
