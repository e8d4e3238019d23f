import { createHash } from 'node:crypto';
import { v5 as nameBased, v7 as uuid } from 'uuid';
import { readReply, type ReplyAnswer, type ReplyProblem } from '@/core/follow-up/reply/read-reply';
import { dateInZone } from '@/core/units/zoned-date';
import type { ClubRow, PersonRow } from '@/db/models/club-rows';
import type { MailReplyRow } from '@/db/models/follow-up-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { readEml, type ReadLetter } from '@/exchange/read-eml';
import { audit } from '@/server/platform/audit';
import type { Context, Services } from '@/server/platform/context';
import { linkReader } from '@/server/platform/link-reader';
import { type AskedUnion, askedUnions } from '../asks/asked-unions';
import { clubOfReplyAddress } from '../letters/reply-address';
import { keepAnswers, roundToAnswer, type SentAnswer } from '../reports';
import { wordingFor } from '../wordings';

/** Names answers by their letter and plant, so that a letter read twice is one answer. */
const ANSWERS = '8f3d3b6e-2f2a-4c07-8d3a-5b7f0f0f2c91';

/** What becomes of a letter. */
interface Verdict {
  person: PersonRow | null;
  answers: { asked: AskedUnion; answer: ReplyAnswer }[];
  problem: ReplyProblem | '';
}

/**
 * Reads the replies that lie in the inbox of the mail service. What can be read whole is kept as answers; what cannot is
 * kept as a letter for the instructor to look at. A letter that is read while a server dies is read again, to the same end.
 *
 * @returns how many letters were taken out
 */
export async function readInbox(services: Services): Promise<number> {
  const received = await services.mail.received();
  let read = 0;
  for (const { name, bytes } of received) {
    const letter = bytes && (await readEml(bytes));
    const club = await clubOf(services, letter);
    // Of whose club it is nobody can say: it stays where it is.
    if (!club) continue;
    await keepLetter(services, club, { name, bytes, letter });
    await services.mail.takeOut(name);
    read++;
  }
  return read;
}

/** The club a letter is for: by the address it was sent to, or the only one there is. */
async function clubOf({ db }: Services, letter: ReadLetter | null): Promise<ClubRow | null> {
  const named = letter?.to.map(clubOfReplyAddress).find((id) => id !== null);
  if (named) return db.clubs.findOne({ where: { id: named }, raw: true });
  const clubs = await db.clubs.findAll({ limit: 2, raw: true });
  return clubs.length === 1 ? clubs[0]! : null;
}

interface Received {
  name: string;
  bytes: Buffer | null;
  letter: ReadLetter | null;
}

async function keepLetter(services: Services, club: ClubRow, { name, bytes, letter }: Received): Promise<void> {
  const { db, now } = services;
  const contentHash = createHash('sha256')
    .update(bytes ?? name)
    .digest('hex');
  const clubId = club.id;
  if (await db.mailReplies.findOne({ where: { clubId, contentHash }, attributes: ['id'], raw: true })) return;
  const context = await linkReader(services, club);
  const verdict = await verdictOn(context, club, letter);
  const sent = verdict.answers.map(({ asked, answer }): SentAnswer => ({
    asked,
    answer: {
      unionId: asked.union.id,
      signs: {},
      said: answer.said,
      snapped: false,
      growth: '',
      growthUnit: 'mm',
      seenOn: dayOf(letter, asked),
      note: '',
    },
    arrival: {
      reportId: nameBased(`${contentHash} ${answer.code}`, ANSWERS),
      source: 'mail',
      enteredBy: null,
      cameOn: null,
    },
  }));
  await keepAnswers(context, sent);
  const row: MailReplyRow = {
    id: uuid(),
    clubId,
    contentHash,
    fileName: name.slice(0, 200),
    personId: verdict.person?.id ?? null,
    sender: letter?.from.slice(0, 254) ?? '',
    subject: letter?.subject ?? '',
    text: letter?.text ?? '',
    sentOn: letter?.sentAt ? letter.sentAt.toISOString().slice(0, 10) : null,
    outcome: verdict.problem === '' ? 'read' : 'unread',
    problem: verdict.problem,
    answers: verdict.answers.length,
    arrivedAt: now,
    settledAt: verdict.problem === '' ? now : null,
    settledBy: null,
  };
  try {
    await transact(db, async (transaction) => {
      await db.mailReplies.create(row, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: null,
        action: `reply by mail: ${row.outcome}`,
        subjectId: row.id,
        at: now,
      });
    });
  } catch (error) {
    // Another server read it in the same moment.
    if (!isDuplicate(error)) throw error;
  }
}

/** What a letter says, as far as it says so beyond doubt; all of it or nothing. */
async function verdictOn(context: Context, club: ClubRow, letter: ReadLetter | null): Promise<Verdict> {
  const refused = (problem: ReplyProblem, person: PersonRow | null = null): Verdict => ({
    person,
    answers: [],
    problem,
  });
  if (!letter) return refused('damaged');
  const { db, actor } = context;
  const { clubId } = actor;
  const people = await db.people.findAll({ where: { clubId, email: letter.from, erasedAt: UNSET }, raw: true });
  // Of two people of one address nobody can tell who writes; the codes say.
  const person = people.length === 1 ? people[0]! : null;
  if (people.length === 0) return refused('unknown-sender');
  const read = readReply(letter, wordingFor(person ?? people[0]!, club).reply);
  if (read.problem !== null) return refused(read.problem, person);
  const plants = await db.plants.findAll({
    where: { clubId, code: read.answers.map(({ code }) => code), voidedAt: UNSET },
    attributes: ['id'],
    raw: true,
  });
  if (plants.length < read.answers.length) return refused('unknown-code', person);
  const asked = await askedUnions(context, { plantIds: plants.map(({ id }) => id) });
  const answers: Verdict['answers'] = [];
  for (const answer of read.answers) {
    const own = asked.filter(({ plant }) => plant.code === answer.code);
    if (own.length === 0 || own.some((each) => !people.some(({ id }) => id === each.person.id)))
      return refused('not-theirs', person);
    // Of several unions on one plant a code alone tells none.
    if (own.length > 1) return refused('doubtful', person);
    const [each] = own as [AskedUnion];
    if (!roundToAnswer(each)) return refused('not-asked', person);
    const day = dayOf(letter, each);
    if (day !== '' && (day > each.today || day < each.union.madeOn)) return refused('day', person);
    answers.push({ asked: each, answer });
  }
  return { person: person ?? answers[0]!.asked.person, answers, problem: '' };
}

/** The day a letter was sent, at the site: what it tells was seen then. */
function dayOf(letter: ReadLetter | null, { site }: AskedUnion): string {
  return letter?.sentAt ? dateInZone(letter.sentAt, site.timeZone) : '';
}
