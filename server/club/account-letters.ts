import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import type { UserRow } from '@/db/models/club-rows';
import { writeEml } from '@/exchange/eml';
import type { Services } from '@/server/platform/context';

/** A letter about an account that waits for its transaction. */
export interface AccountLetter {
  id: string;
  /** Notes it in the transaction that it speaks of. */
  note: (transaction: Transaction) => Promise<void>;
}

/** Prepares a letter to a user: kept as a file now, sent once the transaction that notes it has committed. */
export async function prepareAccountLetter(
  { db, mail, deeds, now }: Services,
  user: Pick<UserRow, 'id' | 'name' | 'email'>,
  subject: string,
  paragraphs: readonly string[],
): Promise<AccountLetter> {
  const id = uuid();
  const eml = await writeEml({
    id,
    subject,
    text: [`Dear ${user.name},`, ...paragraphs, 'Pear Bench'].join('\n\n'),
    date: now,
    from: { name: 'Pear Bench', address: 'accounts@pear-bench.invalid' },
    to: { name: user.name, address: user.email },
  });
  await mail.prepare(id, eml);
  return {
    id,
    note: async (transaction) => {
      await db.accountLetters.create(
        { id, userId: user.id, subject, state: 'queued', createdAt: now },
        { transaction },
      );
      await deeds.add(now, { what: 'account letter', id });
    },
  };
}
