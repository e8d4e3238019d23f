import { v7 as uuid } from 'uuid';
import { seededRandom } from '@/core/chance/seeded-random';
import { METHODS } from '@/core/methods/registry';
import { addDays, type IsoDate } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import type { Actor, Context, Services } from '@/server/platform/context';
import { growerPage } from '@/server/follow-up/grower/grower-page';
import { saveAnswer } from '@/server/follow-up/grower/save-answers';
import { putJudgement } from '@/server/score/judgements';
import { keeperDoors, permitKeepers } from '@/server/score/keeper-permits';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import type { RoundKind } from '@/core/methods/milestones';
import { askedUnions } from '@/server/follow-up/asks/asked-unions';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { addStockLot, addWoodLot, workshopLots } from '@/server/plan/lots';
import { acknowledge, putBriefing, workshopBriefing } from '@/server/teach/briefing';
import { addMember, makeFirstLead } from '@/server/club/members';
import { graftDay, putPlan } from '@/server/plan/topworking';
import { suggestProgramme } from '@/core/plan/topworking/programme';
import { addRound } from '@/server/follow-up/rounds';
import { outbox } from '@/server/platform/outbox';
import { setPasswordByLink } from '@/server/club/passwords';
import { sendRound } from '@/server/follow-up/letters/send-round';
import { acceptRoster } from '@/server/plan/roster-import';
import { listSeats, type SeatedPerson } from '@/server/plan/seats';
import { actorOf } from '@/server/club/sign-in';
import { addSite } from '@/server/club/sites';
import { setAsksAlone } from '@/server/follow-up/follow-up';
import { putWorkshop } from '@/server/plan/workshops';
import { demoDates } from './dates';
import { demoAftercare } from './demo-aftercare';
import { demoPlaces, TREE_GRAFTED } from './demo-places';
import { demoAfterTheDay, demoSecondLooks, demoSettings } from './demo-scoring';
import { judgeDemoKeepers } from './demo-keepers';
import { drawnUnion } from './drawn-union';
import { loadYears } from './three-years/load-years';
import { yearBefore } from './three-years/scenario';
import truth from './truth.json';
import { demoPlan, demoSiteYear, demoSources, demoWood } from './demo-plan';
import { ASSISTANT, CLUB, HANDS, LEAD, PAST_ROSTER, SITE, STOCKS, TREE, VIEWER, WOOD } from './scenario';

export const DEMO_KEEPERS_EACH = 4;

/**
 * Fills an empty database with the demo guild, through the same use cases as a user's hands: three years of
 * workshops with what became of them, one with scored unions, keepers and a round half answered, and one to come.
 *
 * @param password sign-in of all three members.
 */
export async function loadDemo(services: Services, password: string): Promise<void> {
  const loadedAt = services.now;
  const today = dateInZone(loadedAt, SITE.timeZone);
  const dates = demoDates(today);
  const { token } = await makeFirstLead(services, { club: CLUB, ...LEAD, password });
  const lead = (await actorOf(services, token))!;
  const as = (actor: Actor, now: Date): Context => ({ ...services, actor, now });
  for (const [member, role] of [
    [ASSISTANT, 'assistant'],
    [VIEWER, 'viewer'],
  ] as const) {
    const { url } = await addMember(as(lead, loadedAt), { ...member, role });
    await setPasswordByLink(services, { token: url.split('/').at(-1), password });
  }
  const joss = await services.db.users.findOne({ where: { email: ASSISTANT.email }, raw: true });
  const assistant: Actor = { ...lead, userId: joss!.id, role: 'assistant', name: ASSISTANT.name };

  const planned = new Date(`${addDays(dates.past, -40)}T10:00:00Z`);
  const site = await addSite(as(lead, planned), SITE);
  await demoSiteYear(as(lead, planned), site.id);
  const method = METHODS[0]!.id;
  const past = uuid();
  await putWorkshop(as(lead, planned), past, {
    title: 'Pears and medlars on the bench',
    date: dates.past,
    siteId: site.id,
    method,
    promisedKeepers: DEMO_KEEPERS_EACH,
    promise: 'two pears and two medlars on quince',
  });
  await setAsksAlone(as(lead, planned), past, { asksAlone: false });
  for (const lot of WOOD.slice(0, 2))
    await addWoodLot(as(lead, planned), past, uuid(), { ...lot, cutOn: addDays(dates.past, -45) });
  await addStockLot(as(lead, planned), past, uuid(), STOCKS[0]);
  await acceptRoster(as(lead, planned), past, new TextEncoder().encode(PAST_ROSTER), {
    importId: uuid(),
    decisions: {},
  });

  const seats = await listSeats(as(lead, planned), past);
  await demoSettings(as(lead, planned), past);
  await scorePractice(as, lead, assistant, past, dates.past, seats);
  await demoSecondLooks(as, lead, assistant, past);
  await makeDemoKeepers(as(lead, new Date(`${dates.past}T14:10:00Z`)), past);
  await judgeDemoKeepers(as, assistant, past, dates.past);

  // The round was sent when it opened; people answered in the days since.
  const sentAt = new Date(`${dates.round.opensOn}T08:00:00Z`);
  const roundId = uuid();
  const milestone = await latestAsked(as(lead, sentAt), past, dates.round.opensOn);
  await addRound(as(lead, sentAt), past, roundId, { ...dates.round, milestone });
  await sendRound(as(lead, sentAt), roundId, { sentSoFar: 0 });
  await answerRound(as(lead, sentAt), seats);

  await demoAfterTheDay(as, lead, assistant, past, method, dates.past);
  await demoTeaching(as(lead, new Date(`${dates.past}T07:40:00Z`)), { workshopId: past, date: dates.past }, seats);
  await demoWood(as(lead, new Date(`${dates.past}T07:00:00Z`)), past, dates.past);
  await demoSources(as(lead, loadedAt), past, site.id, dates.past);
  await demoPlaces((day) => as(assistant, new Date(`${day}T17:00:00Z`)), { siteId: site.id, date: dates.past }, today);
  await demoAftercare(as, lead, assistant, { id: past, siteId: site.id, date: dates.past }, loadedAt);

  await loadYears({ as, lead, assistant, siteId: site.id }, yearBefore(today), truth, today);

  const upcoming = uuid();
  await putWorkshop(as(lead, loadedAt), upcoming, {
    title: 'Late winter whips',
    date: dates.upcoming,
    siteId: site.id,
    method,
    promisedKeepers: 2,
    promise: 'one pear and one quince, potted',
  });
  await addWoodLot(as(lead, loadedAt), upcoming, uuid(), {
    ...WOOD[2],
    cutOn: '',
    orderedOn: addDays(loadedAt.toISOString().slice(0, 10), -12),
  });
  await addStockLot(as(lead, loadedAt), upcoming, uuid(), STOCKS[1]);
  await demoPlan(as(lead, loadedAt), upcoming);
}

/** Three to six attempts each, better from one to the next, by two assessors who share the benches. */
async function scorePractice(
  as: (actor: Actor, now: Date) => Context,
  lead: Actor,
  assistant: Actor,
  workshopId: string,
  date: string,
  seats: SeatedPerson[],
): Promise<void> {
  const random = seededRandom(20_260);
  let minute = 0;
  for (let attempt = 1; attempt <= 6; attempt++) {
    for (const [i, seat] of seats.entries()) {
      const [start, gain] = HANDS[i]!;
      const skill = Math.min(0.97, start + gain * (attempt - 1));
      // The sure hands stop early, the others go on as long as there is wood.
      if (attempt > 3 && skill > 0.86) continue;
      minute += 1.4;
      const at = new Date(Date.parse(`${date}T08:20:00Z`) + minute * 60_000);
      const context = as(i % 3 === 2 ? assistant : lead, at);
      const { measures, marks, note } = drawnUnion(random, skill);
      await putJudgement(context, uuid(), {
        workshopId,
        seatId: seat.id,
        number: attempt,
        stage: 'joined',
        measures,
        marks,
        note,
        deviceAt: at,
      });
    }
  }
}

/** Keepers in one step, then half of them changed to the second wood lot, and two codes left unused. */
async function makeDemoKeepers(context: Context, workshopId: string): Promise<void> {
  const lots = await workshopLots(context, workshopId);
  const [pear, medlar] = lots.wood.sort((a, b) => a.variety.localeCompare(b.variety));
  const waiting = [...(await keeperDoors(context, workshopId))]
    .filter(([, { open }]) => !open)
    .map(([seatId]) => seatId);
  await permitKeepers(context, workshopId, uuid(), {
    seatIds: waiting,
    may: true,
    reason: 'near enough, and somebody stood beside them',
  });
  const each = DEMO_KEEPERS_EACH;
  await makeKeepers(context, workshopId, { woodLotId: pear!.id, stockLotId: lots.stocks[0]!.id, each });
  const keepers = await listKeepers(context, workshopId);
  const second = keepers.filter((_, i) => i % DEMO_KEEPERS_EACH >= DEMO_KEEPERS_EACH / 2).map(({ id }) => id);
  await changeKeepers(context, workshopId, { plantIds: second, woodLotId: medlar!.id });
  await changeKeepers(context, workshopId, { plantIds: keepers.slice(-2).map(({ id }) => id), voided: true });
}

/** Two thirds of those written to open their link and answer for their plants, the sure hands with better news. */
async function answerRound(context: Context, seats: SeatedPerson[]): Promise<void> {
  const random = seededRandom(77);
  // Old Nils, who left a number only, answers nobody's text messages.
  const messages = (await outbox(context))
    .filter(({ subject }) => !subject.startsWith('Text message'))
    .sort((a, b) => a.to.localeCompare(b.to));
  for (const [i, message] of messages.entries()) {
    if (i % 3 === 2) continue;
    const token = /\/r\/([\w-]+)/.exec(message.text ?? '')?.[1];
    if (!token) throw new Error(`The message to ${message.to} holds no link.`);
    const services = { ...context, now: new Date(context.now.getTime() + (1 + i) * 7 * 3_600_000) };
    const page = await growerPage(services, token);
    const at = seats.findIndex(({ person }) => person.name === page.name);
    const skill = Math.min(0.95, HANDS[at]![0] + HANDS[at]![1] * 3);
    for (const { unionId, groups } of page.grafts) {
      const roll = random();
      const grows = groups[0]!.id;
      const [lives, dies] = [roll < 0.12 + 0.68 * skill, roll < 0.9];
      const none = (scratch: string) => ({ signs: { [grows]: 'none', scratch } });
      const told = lives
        ? { signs: { [grows]: 'shoot' } }
        : dies
          ? none('brown')
          : roll < 0.96
            ? none('green')
            : { said: 'not-found' };
      const note = !lives && dies && roll > 0.85 ? 'dried up after a hot week' : '';
      await saveAnswer(services, token, uuid(), { unionId, note, ...told });
    }
  }
}

/** The last milestone of the day's keepers whose own days had begun by a day. */
async function latestAsked(context: Context, workshopId: string, by: string): Promise<RoundKind> {
  const [first] = await askedUnions(context, { workshopId });
  const begun = first!.asks.filter(({ due }) => due.from <= by);
  return begun.at(-1)!.kind;
}

/** The briefing as it was read out in the morning, all but the last one heard it; and an old pear tree that is being changed over. */
async function demoTeaching(
  context: Context,
  { workshopId, date }: { workshopId: string; date: IsoDate },
  seats: SeatedPerson[],
): Promise<void> {
  await putBriefing(context, workshopId, {
    firstAid: `${ASSISTANT.name}, at the door`,
    kit: 'under the window, left of the vice',
    localRules: 'Nobody under sixteen cuts alone. Blades go back into the tin, counted.',
    sap: false,
  });
  const { contentHash } = await workshopBriefing(context, workshopId);
  for (const { person } of seats.slice(0, -1)) await acknowledge(context, workshopId, person.id, { contentHash });
  const limbs = TREE.limbs.map((limb) => ({ ...limb, id: uuid(), deed: 'leave' as const, year: 1, method: null }));
  const day = await graftDay(context, { date: addDays(date, TREE_GRAFTED), species: TREE.species });
  await putPlan(context, uuid(), {
    tree: TREE.tree,
    species: TREE.species,
    firstYear: Number(day.date.slice(0, 4)),
    graftDay: day.date,
    version: 0,
    limbs: suggestProgramme(limbs, day, 3, METHODS),
  });
}
