import { ownPassword } from '@/core/club/own-password';
import { Op } from 'sequelize';
import { object, string } from 'yup';
import type { InvitationRow } from '@/db/models/club-rows';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import type { Context, Services } from '@/server/platform/context';
import { fitsAtPace } from '@/server/platform/fits-at-pace';
import { parse } from '@/server/platform/parse';
import { openPasswordLink } from './passwords';
import { hashToken } from '@/server/platform/secrets';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** A club that one belongs to, or that asks. */
export interface OwnClub {
  clubId: string;
  name: string;
  role: string;
  asked: boolean;
}

/** The clubs of whoever asks, and those that ask them to join. */
export async function ownClubs({ db, actor: { userId } }: Context): Promise<OwnClub[]> {
  const [memberships, invitations] = await Promise.all([
    db.memberships.findAll({ where: { userId }, raw: true }),
    db.invitations.findAll({ where: { userId }, raw: true }),
  ]);
  const all = [
    ...memberships.map(({ clubId, role }) => ({ clubId, role, asked: false })),
    ...invitations.map(({ clubId, role }) => ({ clubId, role, asked: true })),
  ];
  const clubs = await db.clubs.findAll({ where: { id: all.map(({ clubId }) => clubId) }, raw: true });
  return all
    .map((membership) => ({ ...membership, name: clubs.find(({ id }) => id === membership.clubId)!.name }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

const answerInput = object({
  answer: string()
    .oneOf(['yes', 'no'] as const, 'Say yes or no.')
    .required('Say yes or no.'),
});

/** Says yes or no to a club that asks. */
export async function answerInvitation(context: Context, clubId: string, input: unknown): Promise<void> {
  const { answer } = parse(answerInput, input);
  const {
    db,
    actor: { userId },
  } = context;
  const invitation = await db.invitations.findOne({ where: { clubId, userId }, raw: true });
  if (!invitation) throw notFound('The invitation');
  await settle(context, [invitation], answer);
}

/** Joins with a yes, and notes either; an answer that another window gave first stands. */
async function settle(
  { db, deeds, now }: Pick<Services, 'db' | 'deeds' | 'now'>,
  invitations: readonly InvitationRow[],
  answer: 'yes' | 'no',
  token?: string,
): Promise<void> {
  await transact(db, async (transaction) => {
    for (const { clubId, userId, role } of invitations) {
      const open = await db.invitations.destroy({ where: { clubId, userId }, transaction });
      if (open === 0) continue;
      if (answer === 'yes') await db.memberships.create({ clubId, userId, role }, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `invitation ${answer === 'yes' ? 'accepted' : 'declined'}`,
        subjectId: userId,
        at: now,
      });
      await deeds.add(now, { what: 'role', clubId, userId, role: answer === 'yes' ? role : 'none' });
    }
    if (token)
      await db.passwordLinks.update(
        { usedAt: now },
        { where: { tokenHash: hashToken(token), usedAt: { [Op.is]: null } as never }, transaction },
      );
  });
}

const byLinkInput = object({
  token: string()
    .strict()
    .typeError('Open the link again.')
    .required('Open the link again.')
    .max(100, 'Open the link again.'),
  password: ownPassword(),
  answer: string()
    .oneOf(['yes', 'no'] as const, 'Say yes or no.')
    .required('Say yes or no.'),
});

/** Answers by the link that was handed over, with the password of the account it is for. */
export async function answerByLink(services: Services, input: unknown): Promise<void> {
  const values = parse(byLinkInput, input);
  const { user, hasPassword } = await openPasswordLink(services, values.token);
  if (!hasPassword) throw new UseCaseError('conflict', 'Choose a password first.');
  const bucket = `joining as ${user.id}`;
  if (!(await fitsAtPace(services, bucket, user.passwordHash, values.password)))
    throw new UseCaseError('invalid', 'This is not your password for Pear Bench. Check it and try again.', {
      password: 'Not your password.',
    });
  await settle(
    services,
    await services.db.invitations.findAll({ where: { userId: user.id }, raw: true }),
    values.answer,
    values.token,
  );
}
