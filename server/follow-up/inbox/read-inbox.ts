import { createHash } from 'node:crypto';
import { Op } from 'sequelize';
import { v5 as nameBased } from 'uuid';
import { sameNumber, textedFrom } from '@/core/follow-up/letters/written-to';
import { readReply } from '@/core/follow-up/reply/read-reply';
import { PUT_ASIDE, type ReplyProblem } from '@/core/follow-up/reply/reply-problems';
import { dateInZone } from '@/core/units/zoned-date';
import type { ClubRow, PersonRow } from '@/db/models/club-rows';
import type { MessageRow } from '@/db/models/follow-up-rows';
import { UNSET } from '@/db/unset';
import type { ReadLetter } from '@/exchange/read-eml';
import { JobTooLong, runJob } from '@/server/jobs/run-job';
import type { Context, Services } from '@/server/platform/context';
import { databaseIsAway } from '@/server/platform/database-is-away';
import { linkReader } from '@/server/platform/link-reader';
import { type AsideFolder, type ReceivedMail, UnreadableMail } from '@/stand-ins/mail/mail-service';
import { type AskedUnion, askedUnions } from '../asks/asked-unions';
import { answeredMessages, clubOfReplyAddress } from '../letters/reply-address';
import { keepAnswers, roundToAnswer, type SentAnswer } from '../reports';
import { keepToldDeath } from '../told-death';
import { wordingFor } from '../wordings';
import { keepRow, type Verdict } from './keep-reply';

/** Names answers by their letter and plant, so that a letter read twice is one answer. */
const ANSWERS = '8f3d3b6e-2f2a-4c07-8d3a-5b7f0f0f2c91';

/** Letters of one turn, and how long it may take, ms: the next turn goes on. */
const TURN = { letters: 200, time: 30_000 };
/** How long one letter may be read, ms. */
const PATIENCE = 2000;

/** What a turn did. */
export interface InboxTurn {
  read: number;
  /** Letters that could not be opened or read: put aside, each with its reason. */
  aside: number;
  /** Letters that are for no club here. */
  nobodys: number;
}

/**
 * Reads the replies that lie in the inbox of the mail service, the oldest first, each with a fate of its own. What can be
 * read whole is kept as answers; what cannot is kept as a letter for the instructor to look at; what cannot even be opened,
 * takes too long or goes wrong is put aside with its reason and stops none of the others. A letter that is read while a
 * server dies is read again, to the same end.
 *
 * @throws where the database is away: everything stays where it is
 */
export async function readInbox(services: Services): Promise<InboxTurn> {
  const turn: InboxTurn = { read: 0, aside: 0, nobodys: 0 };
  const until = Date.now() + TURN.time;
  for (const mail of await services.mail.received(TURN.letters)) {
    if (Date.now() > until) break;
    try {
      turn[await readOne(services, mail)]++;
    } catch (error) {
      if (databaseIsAway(error)) throw error;
      console.error(`The letter ${mail.name} could not be seen to and was put aside:`, error);
      await putAside(services, mail.name, 'put-aside');
      turn.aside++;
    }
  }
  return turn;
}

/** Takes one letter in, or puts it aside. */
async function readOne(services: Services, mail: ReceivedMail): Promise<keyof InboxTurn> {
  const opened = await openLetter(services, mail);
  const letter = 'letter' in opened ? opened.letter : null;
  const { club, message } = await clubOf(services, letter);
  if (!club) {
    console.warn(`The letter ${mail.name} is for no club here; it lies in the folder no-club of the inbox.`);
    await putAside(services, mail.name, 'no-club');
    return 'nobodys';
  }
  const read = { ...opened, name: mail.name };
  try {
    await keepLetter(services, club, message, read);
  } catch (error) {
    if (databaseIsAway(error)) throw error;
    console.error(`The letter ${mail.name} could not be kept:`, error);
    await keepRow(services, club, { ...read, letter, problem: 'fault' });
    await putAside(services, mail.name, 'put-aside');
    return 'aside';
  }
  if ('problem' in opened) {
    await putAside(services, mail.name, 'put-aside');
    return 'aside';
  }
  await services.mail.takeOut(mail.name);
  return 'read';
}

/** A file nobody can move is left and told of; it is met again and stops nothing. */
async function putAside({ mail }: Services, name: string, folder: AsideFolder): Promise<void> {
  await mail
    .putAside(name, folder)
    .catch((error: unknown) => console.error(`The letter ${name} cannot be moved to ${folder}:`, error));
}

type Opened = { letter: ReadLetter; contentHash: string } | { problem: ReplyProblem; contentHash: string };

/** Opens and parses a letter, in a thread with a limit of its own: it may be made to be slow. */
async function openLetter({ mail }: Services, { name, at }: ReceivedMail): Promise<Opened> {
  const hashOf = (content: Buffer | string): string => createHash('sha256').update(content).digest('hex');
  // What cannot be opened is known by its name and when it came.
  const nameless = hashOf(`${name} ${at?.toISOString() ?? ''}`);
  try {
    const bytes = await mail.open(name);
    const contentHash = hashOf(bytes);
    try {
      const letter = await runJob('read letter', [new Uint8Array(bytes)], { limit: PATIENCE });
      return letter ? { letter, contentHash } : { problem: 'damaged', contentHash };
    } catch (error) {
      console.error(`The letter ${name} could not be parsed:`, error);
      // Out of memory, or a letter that breaks the parser.
      return { problem: error instanceof JobTooLong ? 'too-slow' : 'fault', contentHash };
    }
  } catch (error) {
    if (!(error instanceof UnreadableMail)) throw error;
    return { problem: error.why, contentHash: nameless };
  }
}

/** The club a letter is for: that of the letter it answers, the one its address names, or the only one there is. */
async function clubOf(
  services: Services,
  letter: ReadLetter | null,
): Promise<{ club: ClubRow | null; message: MessageRow | null }> {
  const { db } = services;
  const ids = letter ? answeredMessages(letter) : [];
  const number = letter && textedFrom(letter.from);
  const message =
    ids.length > 0
      ? await db.messages.findOne({ where: { id: ids }, raw: true })
      : number
        ? await lastTextTo(services, number)
        : null;
  const named = message?.clubId ?? letter?.to.map(clubOfReplyAddress).find((id) => id !== null);
  if (named) return { club: await db.clubs.findOne({ where: { id: named }, raw: true }), message };
  const clubs = await db.clubs.findAll({ limit: 2, raw: true });
  return { club: clubs.length === 1 ? clubs[0]! : null, message };
}

type Received = Opened & { name: string };

async function keepLetter(
  services: Services,
  club: ClubRow,
  message: MessageRow | null,
  received: Received,
): Promise<void> {
  const { db } = services;
  const { contentHash } = received;
  const known = await db.mailReplies.findOne({ where: { clubId: club.id, contentHash }, raw: true });
  // One that could not be read is tried again when it lies there again.
  if (known && (known.problem === '' || !PUT_ASIDE.includes(known.problem))) return;
  if ('problem' in received) return keepRow(services, club, { ...received, letter: null });
  const { letter } = received;
  const context = await linkReader(services, club);
  const verdict = await verdictOn(context, club, { letter, message });
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
  await keepAnswers(
    context,
    sent.filter(({ asked }) => roundToAnswer(asked)),
  );
  for (const { asked, answer, arrival } of sent.filter((each) => !roundToAnswer(each.asked)))
    await keepToldDeath(context, asked, {
      id: arrival.reportId,
      seenOn: answer.seenOn,
      note: '',
      enteredBy: null,
    });
  await keepRow(services, club, { ...received, ...verdict, letter });
}

/** Whoever writes from an address, or sends text messages from a number. */
async function peopleWriting({ db, actor: { clubId } }: Context, from: string): Promise<PersonRow[]> {
  const number = textedFrom(from);
  if (number === null) return db.people.findAll({ where: { clubId, email: from, erasedAt: UNSET }, raw: true });
  const phones = await db.people.findAll({ where: { clubId, phone: { [Op.ne]: null }, erasedAt: UNSET }, raw: true });
  return phones.filter(({ phone }) => sameNumber(phone, number));
}

/** The last message to a number: what a text from there answers, since it names no letter. */
async function lastTextTo({ db }: Services, number: string): Promise<MessageRow | null> {
  const phones = await db.people.findAll({ where: { phone: { [Op.ne]: null }, erasedAt: UNSET }, raw: true });
  const personId = phones.filter(({ phone }) => sameNumber(phone, number)).map(({ id }) => id);
  if (personId.length === 0) return null;
  return db.messages.findOne({ where: { personId }, order: [['createdAt', 'DESC']], raw: true });
}

/** What a letter says, as far as it says so beyond doubt; all of it or nothing. */
async function verdictOn(
  context: Context,
  club: ClubRow,
  { letter, message }: { letter: ReadLetter; message: MessageRow | null },
): Promise<Verdict> {
  let stop: PersonRow[] = [];
  const refused = (problem: ReplyProblem, person: PersonRow | null = null): Verdict => ({
    person,
    answers: [],
    problem,
    stop,
  });
  const { db, actor } = context;
  const { clubId } = actor;
  const people = await peopleWriting(context, letter.from);
  // Of two people of one address nobody can tell who writes; the codes say.
  const person = people.length === 1 ? people[0]! : null;
  if (people.length === 0) return refused('unknown-sender');
  const names = [...people.flatMap(({ name }) => name ?? []), actor.clubName];
  const read = readReply({ ...letter, names }, wordingFor(person ?? people[0]!, club).reply);
  // A wish not to be written to is heard from any address we write to: it does harm to nobody, and is confirmed there.
  if (read.stop) stop = people.filter(({ mayContact }) => mayContact);
  // Anybody can write in another's name; only whoever had the letter can answer it.
  const onlyStop = read.stop && read.answers?.length === 0;
  if (!onlyStop && !people.some(({ id }) => id === message?.personId)) return refused('unproven', person);
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
    if (
      own.length === 0 ||
      own.some(({ plant, person: has }) => plant.withUs || !people.some(({ id }) => id === has.id))
    )
      return refused('not-theirs', person);
    // Of several unions on one plant a code alone tells none.
    if (own.length > 1) return refused('doubtful', person);
    const [each] = own as [AskedUnion];
    const asks = roundToAnswer(each) !== undefined;
    if (!asks && answer.said !== 'dead') return refused('not-asked', person);
    const day = dayOf(letter, each);
    if (day > each.today || (day || each.today) < each.union.madeOn) return refused('day', person);
    answers.push({ asked: each, answer });
  }
  return { person: person ?? answers[0]?.asked.person ?? null, answers, problem: '', stop };
}

/** The day a letter was sent, at the site: what it tells was seen then. */
function dayOf(letter: ReadLetter | null, { site }: AskedUnion): string {
  return letter?.sentAt ? dateInZone(letter.sentAt, site.timeZone) : '';
}
