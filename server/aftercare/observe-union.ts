import { DEADLY, type Happening } from '@/core/aftercare/happening';
import { observationInput } from '@/core/aftercare/observation-input';
import { id, isAhead } from '@/core/inputs/fields';
import type { UnionObservationRow } from '@/db/models/aftercare-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { caredFor } from './cared-for';

/** What findings go by: a union that was opened is left out of them, one that died of something is dead. */
const COUNTED: ReadonlySet<string> = new Set(['opened', 'ended']);

/** Keeps what was seen on a union, under an id made on the device; the same again changes nothing. */
export async function observeUnion(context: Context, observationId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('what was seen'), observationId);
  const { assessorId, unionId, kind, about, lengthMm, note, seenOn } = parse(observationInput, input, context.now);
  const values = { unionId, kind, about, lengthMm, note, seenOn };
  if (kind === 'ended' && !DEADLY.includes(about as Happening))
    throw new UseCaseError(
      'invalid',
      'A graft does not die of that. Say what it died of, or leave open whether it is dead.',
      {
        about: 'Say what it died of.',
      },
    );
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  if (assessorId && assessorId !== userId)
    throw new UseCaseError(
      'forbidden',
      'This was entered by another member on this device. It stays here until they sign in again.',
      { assessorId: 'Signed in as another.' },
    );
  if (isAhead(values.seenOn, now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was seen.', {
      seenOn: 'Still to come.',
    });
  const row: UnionObservationRow = {
    ...values,
    id: observationId,
    clubId,
    seenBy: userId,
    recordedAt: now,
    takenBackAt: null,
  };
  try {
    await transact(db, async (transaction) => {
      const known = await db.unionObservations.findOne({ where: { id: observationId }, transaction, raw: true });
      if (known) return sameAgain(known, row);
      const madeOn = (await caredFor(context, [values.unionId], transaction)).get(values.unionId);
      if (madeOn === undefined) throw notFound('The plant');
      if (values.seenOn < madeOn)
        throw new UseCaseError('invalid', 'It was seen before it was made? Check the day.', {
          seenOn: 'Before it was made.',
        });
      await db.unionObservations.create(row, { transaction });
      if (COUNTED.has(values.kind)) await refreshUnionFacts(db, clubId, [values.unionId], transaction);
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `seen on a plant: ${values.kind}`,
        subjectId: values.unionId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const twin = await db.unionObservations.findOne({ where: { id: observationId }, raw: true });
    if (!twin) throw error;
    sameAgain(twin, row);
  }
}

function sameAgain(known: UnionObservationRow, sent: UnionObservationRow): void {
  if (known.clubId !== sent.clubId) throw notFound('What was seen');
  const same = (['unionId', 'kind', 'about', 'lengthMm', 'note', 'seenOn'] as const).every(
    (field) => known[field] === sent[field],
  );
  if (!same)
    throw new UseCaseError('conflict', 'This was kept already with other content. Reload the page and enter it again.');
}

/** Takes something seen back: it counts no more. What is taken back already changes nothing. */
export async function takeObservationBack(context: Context, observationId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('what was seen'), observationId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const known = await db.unionObservations.findOne({ where: { clubId, id: observationId }, transaction, raw: true });
    if (!known) throw notFound('What was seen');
    if (known.takenBackAt) return;
    await db.unionObservations.update(
      { takenBackAt: now },
      { where: { clubId, id: observationId, takenBackAt: UNSET }, transaction },
    );
    if (COUNTED.has(known.kind)) await refreshUnionFacts(db, clubId, [known.unionId], transaction);
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: `taken back, seen on a plant: ${known.kind}`,
      subjectId: known.unionId,
      at: now,
    });
  });
}
