import { boolean, object, string } from 'yup';
import { DEADLY, HAPPENINGS, type Happening } from '@/core/aftercare/happening';
import { id, optionalText } from '@/core/inputs/fields';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import type { Services } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { UseCaseError } from '@/server/platform/use-case-error';
import { seenDay } from '../reports';
import { GrowerError } from './grower-error';
import { openForAnswers, ownUnion } from './save-answers';

const happening = object({
  unionId: id('the plant'),
  what: string()
    .oneOf(Object.keys(HAPPENINGS) as Happening[])
    .required(),
  dead: boolean().strict().default(false),
  seenOn: string()
    .default('')
    .matches(/^(\d{4}-\d{2}-\d{2})?$/),
  note: optionalText('the note', 300),
});

/**
 * Keeps what a grower says has happened to one of their plants, on any day and whether or not anybody asks. Sent again it
 * changes nothing.
 *
 * @throws GrowerError in the words of the catalogue
 */
export async function tellHappening(
  services: Services,
  token: string,
  tellingId: string,
  input: unknown,
): Promise<void> {
  const opened = await openForAnswers(services, token);
  const { unionId, what, dead, seenOn, note } = readHappening(tellingId, input);
  const { union, today } = await ownUnion(opened, unionId);
  const { db, now } = services;
  const { clubId } = opened.link;
  const died = what === 'died' || (dead && DEADLY.includes(what));
  const row = {
    id: tellingId,
    clubId,
    unionId,
    kind: died ? ('ended' as const) : ('happened' as const),
    about: what,
    lengthMm: null,
    note,
    seenOn: seenDay(seenOn, union.madeOn, today),
    seenBy: null,
    recordedAt: now,
    takenBackAt: null,
  };
  try {
    await transact(db, async (transaction) => {
      if (await db.unionObservations.findOne({ where: { id: tellingId }, transaction, raw: true })) return;
      await db.unionObservations.create(row, { transaction });
      if (died) await refreshUnionFacts(db, clubId, [unionId], transaction);
      await audit(db, transaction, { clubId, actorId: null, action: `told: ${what}`, subjectId: unionId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}

function readHappening(tellingId: string, input: unknown) {
  try {
    parse(id('what was told'), tellingId);
    return parse(happening, input);
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
    if (error.fields.note) throw new GrowerError('invalid', 'error.note', {}, { note: 'error.note' });
    if (error.fields.seenOn) throw new GrowerError('invalid', 'error.day', {}, { seenOn: 'error.day' });
    throw new GrowerError('invalid', 'error.choice');
  }
}
