import type { Transaction } from 'sequelize';
import { mixed, object } from 'yup';
import { v7 as uuid } from 'uuid';
import type { Decision, PreviewLine, RosterLine } from '@/core/plan/roster/roster-line';
import type { PersonRow } from '@/db/models/club-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id, isPlainObject } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { readSentFile } from '@/server/jobs/run-job';
import { listSeats, seatPeople } from './seats';
import { UseCaseError } from '@/server/platform/use-case-error';

export interface RosterPreview {
  problem: string | null;
  lines: PreviewLine[];
}

const fold = (text: string | null): string => (text ?? '').normalize('NFKC').trim().toLowerCase().replace(/\s+/g, ' ');

/** Reads a roster file and says what each line would do. Saves nothing. */
export async function previewRoster(context: Context, workshopId: string, bytes: Uint8Array): Promise<RosterPreview> {
  allow(context, 'assistant');
  const seats = await listSeats(context, workshopId);
  const { lines, problem } = await readSentFile('read roster', bytes);
  const people = await context.db.people.findAll({
    where: { clubId: context.actor.clubId, erasedAt: null },
    raw: true,
  });
  const seated = new Set(seats.map(({ personId }) => personId));
  const seen = new Map<string, number>();
  const byAddress = new Map<string, RosterLine>();
  return {
    problem,
    lines: lines.map((line) => {
      const key = `${line.email}\n${fold(line.name)}`;
      const twin = seen.get(key);
      seen.set(key, seen.get(key) ?? line.line);
      if (twin !== undefined) line.problems.push(`names the same person as line ${twin}`);
      const earlier = line.email === '' || line.problems.length > 0 ? undefined : byAddress.get(line.email);
      if (line.email !== '' && line.problems.length === 0 && !earlier) byAddress.set(line.email, line);
      return { ...line, ...matchOf(line, people, seated, earlier) };
    }),
  };
}

function matchOf(
  line: RosterLine,
  people: PersonRow[],
  seated: Set<string>,
  earlier: RosterLine | undefined,
): Pick<PreviewLine, 'match' | 'personId' | 'personName' | 'sameAddressAs'> {
  return {
    sameAddressAs: null,
    ...(matchOfPeople(line, people, seated) ??
      (earlier
        ? { match: 'ask', personId: null, personName: earlier.name, sameAddressAs: earlier.line }
        : { match: 'new', personId: null, personName: null })),
  };
}

/** Who of the club a line may be; null for nobody. */
function matchOfPeople(
  line: RosterLine,
  people: PersonRow[],
  seated: Set<string>,
): Pick<PreviewLine, 'match' | 'personId' | 'personName'> | null {
  if (line.problems.length > 0) return { match: 'problem', personId: null, personName: null };
  const sameEmail = people.filter((person) => line.email !== '' && person.email === line.email);
  const known = sameEmail.find((person) => fold(person.name) === fold(line.name));
  if (known) return { match: seated.has(known.id) ? 'seated' : 'known', personId: known.id, personName: known.name };
  // The same address under another name may be a changed name or a shared mailbox; the same name
  // without an address to tell them apart may be anybody. Both are asked, never guessed.
  const doubtful =
    sameEmail[0] ??
    people.find((person) => fold(person.name) === fold(line.name) && (line.email === '' || !person.email));
  if (doubtful) return { match: 'ask', personId: doubtful.id, personName: doubtful.name };
  return null;
}

const acceptInput = object({
  importId: id('the import'),
  decisions: mixed<Record<string, Decision>>()
    .required('Decide about each line in doubt.')
    .test(
      'decisions',
      'The decisions cannot be read. Reload the page and choose the file again.',
      (value) => isPlainObject(value) && Object.values(value).every((value) => DECISIONS.includes(value as Decision)),
    ),
});
const DECISIONS: Decision[] = ['same', 'new', 'skip'];

/**
 * Seats the people of a roster, all or none, in one transaction. Lines in doubt need a decision,
 * lines with problems are left out. `importId` comes from the browser: accepted twice, it seats once.
 *
 * @returns how many were seated.
 */
export async function acceptRoster(
  context: Context,
  workshopId: string,
  bytes: Uint8Array,
  input: unknown,
): Promise<number> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { importId, decisions } = parse(acceptInput, input);
  const earlier = async (): Promise<number | null> =>
    (await db.rosterImports.findOne({ where: { clubId, id: importId }, raw: true }))?.seated ?? null;
  const before = await earlier();
  if (before !== null) return before;

  for (let attempt = 1; ; attempt++) {
    const preview = await previewRoster(context, workshopId, bytes);
    if (preview.problem) throw new UseCaseError('invalid', preview.problem);
    const open = preview.lines.filter(
      ({ match, line }) => match === 'ask' && !['same', 'new', 'skip'].includes(decisions[line] ?? ''),
    );
    if (open.length > 0) {
      // Sent twice at once, the other one may have seated these people in between: then nothing is in doubt.
      const seated = await earlier();
      if (seated !== null) return seated;
      throw new UseCaseError(
        'invalid',
        `Say for line ${open.map(({ line }) => line).join(', ')} whether it is the same person.`,
      );
    }
    try {
      return await transact(db, async (transaction) => {
        const seats = await db.seats.findAll({ where: { clubId, workshopId }, transaction, raw: true });
        const seated = new Set(seats.map(({ personId }) => personId));
        const personIds = await takeLines(context, transaction, preview.lines, decisions, seated);
        await db.rosterImports.create(
          { clubId, id: importId, workshopId, seated: personIds.length, at: now },
          { transaction },
        );
        await seatPeople(context, transaction, workshopId, personIds);
        await audit(db, transaction, {
          clubId,
          actorId: userId,
          action: 'roster read',
          subjectId: workshopId,
          at: now,
        });
        return personIds.length;
      });
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      const done = await earlier();
      if (done !== null) return done;
      // A walk-in took one of the numbers meanwhile.
      if (attempt === 5) throw error;
    }
  }
}

/**
 * Takes each line of a roster as it was decided: known people are brought up to date, others made.
 *
 * @returns those who have no seat yet, in the order of the lines.
 */
async function takeLines(
  { db, deeds, now, actor: { clubId } }: Context,
  transaction: Transaction,
  lines: PreviewLine[],
  decisions: Record<string, Decision>,
  seated: ReadonlySet<string>,
): Promise<string[]> {
  const toSeat = new Set<string>();
  for (const line of lines) {
    const decision = line.match === 'ask' ? decisions[line.line] : decisions[line.line] === 'skip' ? 'skip' : null;
    if (line.match === 'problem' || line.match === 'seated' || decision === 'skip') continue;
    // The same person as an earlier line, which was seated or left out there.
    if (decision === 'same' && line.sameAddressAs !== null) continue;
    const figures = { email: line.email || null, phone: line.phone || null, mayContact: line.mayContact };
    if (line.match === 'known' || decision === 'same') {
      // A roster may give leave or a number; an empty cell takes nothing away.
      const fresh = {
        name: line.name,
        ...(line.phone ? { phone: line.phone } : {}),
        ...(line.email ? { email: line.email } : {}),
        ...(line.mayContact ? { mayContact: true } : {}),
      };
      await db.people.update(fresh, { where: { clubId, id: line.personId! }, transaction });
      if (line.mayContact) await deeds.add(now, { what: 'leave', clubId, personId: line.personId!, mayContact: true });
      if (!seated.has(line.personId!)) toSeat.add(line.personId!);
    } else {
      const personId = uuid();
      await db.people.create({ id: personId, clubId, name: line.name, ...figures, erasedAt: null }, { transaction });
      toSeat.add(personId);
    }
  }
  return [...toSeat];
}
