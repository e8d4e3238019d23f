import { groupedBy } from '@/core/units/grouped-by';
import { madeKey, questionsAsked, questionText } from '@/core/follow-up/asked-union';
import { roundPlan, type PlanLane } from '@/core/follow-up/asks/round-plan';
import { questionOfRound, questionSaid } from '@/core/follow-up/round-question';
import { ENGLISH } from '@/core/follow-up/wording/english';
import type { WordingKey } from '@/core/follow-up/wording/wording';
import { POSITION_WORDS } from '@/core/methods/position';
import { methodById } from '@/core/methods/registry';
import { cropRound } from '@/core/follow-up/crop-round';
import type { Milestone, RoundKind } from '@/core/methods/milestones';
import { advisedRounds } from '@/core/plan/dates/advised-rounds';
import { addDays, type IsoDate } from '@/core/units/iso-date';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { flag } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { object } from 'yup';
import type { AskedUnion } from './asks/asked-unions';
import { reachable } from './letters/letter-plan';
import { latestReports } from './reports';
import { askedOf, growers, todayAt } from './rounds';
import { followedUp, keepersMade } from '@/server/plan/made-unions';
import { seasonsOf } from '@/core/plan/dates/taught-on';
import { taughtOn } from '@/server/plan/taught';
import { getWorkshop } from '@/server/plan/workshops';
import { listRounds } from '@/server/plan/rounds-of-workshop';

/**
 * What the Follow-up page shows: each round with its growers, how they were asked and what they said.
 *
 * @param asked the unions of the workshop with what is due of each
 */
export async function followUp(context: Context, workshopId: string, asked: readonly AskedUnion[]) {
  const {
    db,
    actor: { clubId },
  } = context;
  const winter = asked.every(({ site }) => seasonsOf(site) !== 'tropics');
  const [rounds, all, reports, today] = await Promise.all([
    listRounds(context, workshopId),
    growers(context, workshopId),
    latestReports(context, workshopId),
    todayAt(context, workshopId),
  ]);
  const roundId = rounds.map(({ id }) => id);
  const [messages, links, written] = await Promise.all([
    db.messages.findAll({ where: { clubId, roundId }, raw: true }),
    db.reportLinks.findAll({ where: { clubId, roundId }, raw: true }),
    db.letterAsks.findAll({ where: { clubId, roundId }, raw: true }),
  ]);
  const toPerson = (row: { roundId: string | null; personId: string }): string => `${row.roundId} ${row.personId}`;
  const messagesOf = groupedBy(messages, (message) => message.roundId ?? '');
  const [linksOf, lettersOf] = [groupedBy(links, toPerson), groupedBy(written, toPerson)];
  const reportOf = new Map(reports.map((report) => [`${report.roundId} ${report.unionId}`, report]));
  const dueIn = new Map(asked.map(({ union, due }) => [union.id, due?.roundId ?? null]));
  return rounds.map((round) => {
    const askedGrowers = askedOf(round, all);
    return {
      id: round.id,
      milestone: round.milestone,
      question: questionText(
        questionsAsked(
          askedGrowers.flatMap(({ keepers }) => keepers),
          (variant) =>
            questionSaid(
              ENGLISH,
              { kind: round.milestone, question: questionOfRound(variant, round.milestone) },
              context.actor.lengthUnit,
            ),
          winter,
        ),
        ({ method }) => methodById(method).name,
      ),
      opensOn: round.opensOn,
      closesOn: round.closesOn,
      closed: today > round.closesOn,
      sentSoFar: messagesOf.get(round.id)?.length ?? 0,
      growers: askedGrowers.map(({ person, seatNumber, keepers }) => {
        const personId = person?.id ?? '';
        const own = linksOf.get(`${round.id} ${personId}`) ?? [];
        const letters = lettersOf.get(`${round.id} ${personId}`) ?? [];
        return {
          seatNumber,
          personId,
          withUs: person === null,
          name: person === null ? 'With us' : (person.name ?? ERASED_NAME),
          reachable: person !== null && reachable(person),
          written: new Set(letters.map(({ messageId }) => messageId)).size,
          openLinks: own.filter(({ withdrawnAt }) => withdrawnAt === null).length,
          plants: keepers.map(({ unionId, code, wood, position }) => {
            const report = reportOf.get(`${round.id} ${unionId}`);
            return {
              unionId,
              code,
              place: position === 'sole' ? '' : POSITION_WORDS[position],
              variety: wood.variety,
              ribbon: wood.ribbon,
              answer: report?.answer ?? null,
              note: report?.note ?? '',
              seenOn: report?.seenOn ?? null,
              source: report?.source ?? null,
              why: report?.why ? ENGLISH.say(`why.${report.why}` as WordingKey) : '',
              nextLookOn: report?.nextLookOn ?? null,
              due: dueIn.get(unionId) === round.id,
            };
          }),
        };
      }),
    };
  });
}

/** A lane of the plan with its words. */
export interface WordedLane extends PlanLane {
  whose: string;
}

/** What is asked of a workshop's unions and when, by how they were made. */
export function workshopRoundPlan(asked: readonly AskedUnion[]): WordedLane[] {
  const lanes = roundPlan(
    asked.map(({ union, asks }) => ({ method: union.method, variant: union.variant, madeOn: union.madeOn, asks })),
  );
  return lanes.map((lane) => {
    const { name, variants } = methodById(lane.method);
    const words = variants.find(({ id }) => id === lane.variant)?.words ?? '';
    return { ...lane, whose: `${name} ${words}`.trim() };
  });
}

/** When the next letter of a workshop would go by itself, and to how many of those who have its plants. */
export interface NextLetters {
  /** Null where nothing is to be asked any more. */
  on: IsoDate | null;
  /** People who can be written to, and all who have plants. */
  people: number;
  all: number;
}

/** The next letters of a workshop, by the plan of what is asked. */
export function nextLetters(asked: readonly AskedUnion[]): NextLetters {
  const out = asked.filter(({ plant }) => !plant.withUs);
  const dayOf = ({ asks, today }: AskedUnion): IsoDate | null => {
    const next = asks.find(({ state }) => state === 'due' || state === 'to-come' || state === 'again');
    return next ? (next.askOn > today ? next.askOn : today) : null;
  };
  const days = out.flatMap((each) => dayOf(each) ?? []).sort();
  const [on = null] = days;
  const first = out.filter((each) => on !== null && dayOf(each) === on);
  const people = new Map(first.map(({ person }) => [person.id, person]));
  return { on, people: [...people.values()].filter(reachable).length, all: people.size };
}

const asksInput = object({ asksAlone: flag().required('Say whether letters are written by themselves.') });

/** Has the letters of a workshop written by themselves on their days, or ends it. */
export async function setAsksAlone(context: Context, workshopId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  const { asksAlone } = parse(asksInput, input);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    await db.workshops.update({ asksAlone }, { where: { clubId, id: workshopId }, transaction });
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: asksAlone ? 'letters by themselves' : 'letters by hand',
      subjectId: workshopId,
      at: now,
    });
  });
}

/** A round that could be made next, with the days it is best asked on. */
export interface RoundChoice {
  milestone: RoundKind;
  /** Which unions it asks of; empty for all of the day. */
  asks: string;
  /** Whose it is in words, where it is not everybody's. */
  whose: string;
  question: string;
  opensOn: string;
  closesOn: string;
}

/** Days a round stays open at least, so that people find the time to look. */
const OPEN_DAYS = 21;

/**
 * Rounds that the unions of a workshop ask for and that were not made yet, each on its own days: what is looked at in the
 * same window is asked in one round, and what is looked at in another has its own.
 */
export async function roundChoices(context: Context, workshopId: string): Promise<RoundChoice[]> {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const [rounds, taught, made] = await Promise.all([
    listRounds(context, workshopId),
    taughtOn(context, workshop),
    keepersMade(context, workshopId),
  ]);
  const known = (asks: string, milestone: Milestone): boolean =>
    rounds.some(
      (round) => round.milestone === milestone && (round.asks === '' || round.asks.split(' ').includes(asks)),
    );
  const all = advisedRounds(followedUp(taught, made), workshop.date);
  const crop = cropRound(
    workshop.date,
    await todayAt(context, workshopId),
    rounds.filter(({ milestone }) => milestone === 'crop').map(({ opensOn }) => opensOn),
  );
  const question = ENGLISH.say('question.crop');
  const cropChoice: RoundChoice[] = crop ? [{ milestone: 'crop', asks: '', whose: '', question, ...crop }] : [];
  const choices = all.flatMap(({ milestone, due, asks }): RoundChoice[] => {
    const open = asks.filter(
      ({ method, variant }) => !known(madeKey({ method: method.id, variant: variant.id }), milestone),
    );
    if (open.length === 0) return [];
    const everybody = all.every((round) => round.milestone !== milestone || round.due.from === due.from);
    return [
      {
        milestone,
        asks: everybody
          ? ''
          : open.map(({ method, variant }) => madeKey({ method: method.id, variant: variant.id })).join(' '),
        whose: everybody ? '' : [...new Set(open.map(({ method }) => method.name))].join(', '),
        question: [
          ...new Set(
            open.map(({ question }) => questionSaid(ENGLISH, { kind: milestone, question }, context.actor.lengthUnit)),
          ),
        ].join(' / '),
        opensOn: due.from,
        closesOn: [due.to, addDays(due.from, OPEN_DAYS)].sort().at(-1)!,
      },
    ];
  });
  return [...choices, ...cropChoice];
}
