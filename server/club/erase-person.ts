import { UNSET } from '@/db/unset';
import { cast, col, Op, type Transaction, where } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { PersonRow } from '@/db/models/club-rows';
import { holdGuard } from '@/db/guard';
import { transact } from '@/db/transact';
import { allow, type Context, type Services } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { FREE_TEXTS, type FreeText, rowKey } from './free-texts';
import { knownLetters } from '@/server/platform/outbox';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { notFound } from '@/server/platform/use-case-error';

/**
 * Erases what tells who a person is: name, addresses, the notes and pictures of their unions, the
 * notes of their reports, their links, and the letters written to them and by them. Their unions stay, without a
 * name. In what others wrote, name and addresses are replaced; where that cannot be done for sure, the
 * place is noted for the lead. Whoever is erased is kept, by id, outside the database, so that no
 * backup brings them back.
 */
export async function erasePersonRows(
  services: Services,
  clubId: string,
  personId: string,
  actorId: string | null,
): Promise<void> {
  const { db, mail, now } = services;
  const messages = await db.messages.findAll({ where: { clubId, personId }, raw: true });
  const person = await db.people.findOne({ where: { clubId, id: personId }, raw: true });
  // First: a server that dies now leaves somebody to be erased again, and nobody forgotten.
  await services.erased.add({ clubId, personId, at: now });
  await transact(db, async (transaction) => {
    await holdGuard(db, transaction, clubId, 'leave to write');
    const seatId = (await db.seats.findAll({ where: { clubId, personId }, transaction, raw: true })).map(
      ({ id }) => id,
    );
    const unionId = (await db.unions.findAll({ where: { clubId, seatId }, transaction, raw: true })).map(
      ({ id }) => id,
    );
    await db.people.update(
      { name: null, email: null, phone: null, mayContact: false, language: '', erasedAt: now },
      { where: { clubId, id: personId }, transaction },
    );
    await db.unions.update({ variantReason: '' }, { where: { clubId, id: unionId }, transaction });
    await db.judgements.update({ note: '' }, { where: { clubId, unionId }, transaction });
    await db.reports.update({ note: '' }, { where: { clubId, unionId }, transaction });
    // What they told of plants that were handed on to them, and what they said had happened.
    const held = await db.plantHandings.findAll({ where: { clubId, holderId: personId }, transaction, raw: true });
    const heldId = (
      await db.unions.findAll({
        where: { clubId, plantId: held.map(({ plantId }) => plantId) },
        attributes: ['id'],
        transaction,
        raw: true,
      })
    ).map(({ id }) => id);
    await db.reports.update({ note: '' }, { where: { clubId, unionId: heldId, enteredBy: UNSET }, transaction });
    await db.unionObservations.update(
      { note: '' },
      { where: { clubId, unionId: [...unionId, ...heldId], seenBy: UNSET }, transaction },
    );
    await db.causeLooks.update({ note: '' }, { where: { clubId, unionId }, transaction });
    await db.mailReplies.destroy({ where: { clubId, personId }, transaction });
    if (person?.email) await db.mailReplies.destroy({ where: { clubId, sender: person.email }, transaction });
    await db.cardLinks.update({ withdrawnAt: now }, { where: { clubId, seatId, withdrawnAt: UNSET }, transaction });
    await db.cutLooks.update({ note: '' }, { where: { clubId, unionId }, transaction });
    await db.photos.destroy({ where: { clubId, unionId }, transaction });
    await db.keeperPermits.update({ reason: '' }, { where: { clubId, seatId }, transaction });
    await db.reportLinks.update({ withdrawnAt: now }, { where: { clubId, personId, withdrawnAt: UNSET }, transaction });
    // Their letters are about to go; none of them waits to be sent any more.
    await db.messages.update({ state: 'delivered' }, { where: { clubId, personId, state: 'queued' }, transaction });
    if (person) await replaceMentions(services, transaction, clubId, person);
    await audit(db, transaction, { clubId, actorId, action: 'person erased', subjectId: personId, at: now });
  });
  // After the commit, so that a failed erasure does not lose mail; a file left by a dying server is
  // removed when the erasure is asked for again, which is allowed any number of times.
  for (const { id } of messages) await mail.discard(id);
  if (person) await discardUnsent(services, person);
}

/** Prepared letters to a person that no row speaks of, or not yet. */
async function discardUnsent({ db, mail }: Services, { email }: PersonRow): Promise<void> {
  if (!email) return;
  const files = await mail.unsent();
  const known = await knownLetters(
    db,
    files.map(({ id }) => id),
  );
  for (const { id } of files)
    if (!known.has(id) && (await mail.readUnsent(id))?.to.toLowerCase().endsWith(email)) await mail.discard(id);
}

/** Replaces what names a person in what others wrote, and notes where a part of the name may still stand. */
async function replaceMentions(
  services: Services,
  transaction: Transaction,
  clubId: string,
  { id, name, email, phone }: PersonRow,
): Promise<void> {
  const { db, now } = services;
  const folded = (text: string | null): string => (text ?? '').normalize('NFKC').trim().toLowerCase();
  const others = await db.people.findAll({
    where: { clubId, erasedAt: UNSET, id: { [Op.ne]: id } },
    attributes: ['name', 'email', 'phone'],
    transaction,
    raw: true,
  });
  // Of two people of one name nobody can tell from a note whom it means: the lead looks.
  const own = (column: 'name' | 'email' | 'phone', text: string | null): string[] =>
    text && !others.some((other) => folded(other[column]) === folded(text)) ? [text] : [];
  const sure = [
    ...own('name', name).filter(isFullName),
    ...own('email', email),
    ...own('phone', phone).filter((number) => number.replace(/\D/g, '').length >= 6),
  ];
  const doubtful = [name, email, phone, ...(name ?? '').split(/\s+/)].filter(
    (part): part is string => part !== null && part.length > 2,
  );
  for (const place of FREE_TEXTS) {
    const rows = await mentioning(services, transaction, clubId, place, [...sure, ...doubtful]);
    for (const row of rows) {
      const change = Object.fromEntries(
        [...place.columns, ...(place.json ?? [])].flatMap((column) => {
          const then = replaced(row[column], sure);
          return JSON.stringify(then) === JSON.stringify(row[column]) ? [] : [[column, then]];
        }),
      );
      const owner = { clubId, ...Object.fromEntries(place.key.map((part) => [part, row[part]])) };
      if (Object.keys(change).length > 0)
        await (db[place.model] as typeof db.people).update(change, { where: owner as never, transaction });
      for (const column of [...place.columns, ...(place.json ?? [])]) {
        if (!mentions(change[column] ?? row[column], doubtful)) continue;
        await db.nameTraces.create(
          {
            id: uuid(),
            clubId,
            tableName: place.model,
            rowKey: rowKey(place, row),
            columnName: column,
            foundAt: now,
            settledAt: null,
          },
          { transaction },
        );
      }
    }
  }
}

/** A name of several words means somebody; one word may be a pear. */
function isFullName(name: string): boolean {
  return /\S\s+\S/.test(name) && name.length >= 5;
}

/** Rows of a place in which one of some texts stands, however it is written. */
async function mentioning(
  { db }: Services,
  transaction: Transaction,
  clubId: string,
  place: FreeText,
  texts: readonly string[],
): Promise<Record<string, unknown>[]> {
  if (texts.length === 0) return [];
  const like = texts.map((text) => ({ [Op.like]: `%${text.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%` }));
  const model = db[place.model] as typeof db.people;
  const attributes = model.getAttributes() as Record<string, { field?: string }>;
  // As text, JSON too: a name may stand anywhere in it.
  const columns = [...place.columns, ...(place.json ?? [])].map((column) =>
    cast(col(attributes[column]!.field!), 'char'),
  );
  const found = await model.findAll({
    where: { clubId, [Op.or]: columns.flatMap((column) => like.map((pattern) => where(column, pattern))) } as never,
    transaction,
    raw: true,
  });
  return found as unknown as Record<string, unknown>[];
}

/** A text as a whole word or words, in whatever case. */
function wholeWords(text: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}])${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'giu');
}

/** A value with some texts replaced in all its words. */
function replaced(value: unknown, texts: readonly string[]): unknown {
  if (typeof value === 'string')
    return texts.reduce((said, text) => said.replaceAll(wholeWords(text), ERASED_NAME), value);
  if (Array.isArray(value)) return value.map((part) => replaced(part, texts));
  if (typeof value === 'object' && value !== null && !(value instanceof Date))
    return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, replaced(part, texts)]));
  return value;
}

/** True when one of some texts stands in a value as a word, accents and case aside. */
function mentions(value: unknown, texts: readonly string[]): boolean {
  const plain = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
  const said = plain(typeof value === 'string' ? value : (JSON.stringify(value) ?? '')).replaceAll(
    plain(ERASED_NAME),
    ' ',
  );
  return texts.some((text) => wholeWords(plain(text)).test(said));
}

/** The same on the instructor's side, for somebody who asks by phone or in person. */
export async function erasePerson(context: Context, personId: string): Promise<void> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId, userId },
  } = context;
  if (!(await db.people.findOne({ where: { clubId, id: personId }, raw: true }))) throw notFound('The person');
  await erasePersonRows(context, clubId, personId, userId);
}
