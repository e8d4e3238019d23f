import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { hashToken, makeToken } from '@/server/platform/secrets';

/** Gives a member a private address for their calendar in this club; the one before opens nothing any more. */
export async function makeCalendarAddress(context: Context): Promise<{ url: string }> {
  const token = makeToken();
  await keepHash(context, hashToken(token), 'calendar address made');
  return { url: `${context.publicUrl}/calendar/${token}.ics` };
}

/** Withdraws the address: it opens nothing any more. */
export async function withdrawCalendarAddress(context: Context): Promise<void> {
  await keepHash(context, null, 'calendar address withdrawn');
}

async function keepHash(context: Context, calendarHash: string | null, action: string): Promise<void> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    await db.memberships.update({ calendarHash }, { where: { clubId, userId }, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action, subjectId: userId, at: now });
  });
}

/** Whether a member has an address for their calendar in this club. */
export async function hasCalendarAddress({ db, actor: { clubId, userId } }: Context): Promise<boolean> {
  const own = await db.memberships.findOne({ where: { clubId, userId }, raw: true });
  return own?.calendarHash != null;
}
