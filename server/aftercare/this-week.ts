import { remembered } from '@/server/club/remembered';
import { POSITION_WORDS } from '@/core/methods/position';
import { METHODS } from '@/core/methods/registry';
import { type DuePlant, dueGroups } from '@/core/aftercare/week/due-groups';
import type { DuePlace, WeekGroup } from '@/core/aftercare/week/week-group';
import { dueTasks, WEEK } from '@/core/aftercare/week/due-tasks';
import { datedPlan } from '@/core/plan/dates/dated-plan';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import { capital } from '@/core/units/capital';
import { madeWords } from '@/core/methods/made-words';
import { wayWords } from '@/core/aftercare/regraft/regraft-year';
import { nextWay, type RegraftWay, type RegraftWood } from '@/core/aftercare/regraft/regraft-ways';
import { type Happening, HAPPENINGS } from '@/core/aftercare/happening';
import { counted } from '@/core/units/counted';
import { addDays, formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { allow, type Context } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { listSites } from '@/server/club/sites';
import { keptTooLong } from '@/core/plan/wood/store';
import { planningOf } from '@/server/plan/planning';
import { clubDay } from '@/server/plan/season';
import { ledger } from '@/server/plan/wood-ledger';
import { listWorkshops } from '@/server/plan/workshops';
import { assumptionsWith } from '@/core/plan/phenology/assumptions';
import { livingUnions } from './living-unions';
import type { VisitRuleRow } from '@/db/models/aftercare-rows';
import { visitsUntil } from './visits';
import { stockCaliper, unionPlans, type UnionWithPlan } from './union-plans';

/** Something of the week that is no task of a union. */
export interface WeekNote {
  id: string;
  kind: 'visit' | 'round' | 'wood' | 'stocks' | 'told';
  words: string;
  detail: string;
  by: string;
  href: string;
}

export interface ThisWeek {
  today: string;
  until: string;
  groups: WeekGroup[];
  notes: WeekNote[];
  /** Tasks whose window passed so long ago that they count as missed. */
  missed: number;
  /** Living unions under care, and workshops of the club. */
  living: number;
  workshops: number;
  /** Tags of all plants under care. */
  tags: { code: string; variety: string }[];
}

/** What wants doing this week across all workshops of the club. */
export function thisWeek(context: Context): Promise<ThisWeek> {
  return remembered(context, 'this week', null, (look) => makeThisWeek(look));
}

async function makeThisWeek(context: Context): Promise<ThisWeek> {
  allow(context, 'viewer');
  const [{ today }, workshops, rules, plans] = await Promise.all([
    clubDay(context),
    listWorkshops(context),
    context.db.visitRules.findAll({ where: { clubId: context.actor.clubId }, raw: true }),
    livingUnions(context).then((unions) => unionPlans(context, unions)),
  ]);
  const until = addDays(today, WEEK - 1);
  return {
    today,
    until,
    groups: weekGroups(context, plans, until),
    notes: [
      ...toldNotes(plans, context.actor.lengthUnit),
      ...visitNotes(rules, plans, until),
      ...regraftWood(plans, until),
      ...(await weekNotes(context, today, until)),
    ],
    missed: plans.reduce((sum, { tasks }) => sum + tasks.filter(({ state }) => state === 'missed').length, 0),
    workshops: workshops.length,
    living: plans.filter(({ ended }) => ended === null).length,
    tags: [
      ...new Map(
        plans
          .filter(({ plant }) => plant.code !== '')
          .map(({ plant, wood }) => [plant.code, { code: plant.code, variety: wood.variety }]),
      ).values(),
    ],
  };
}

/** Due tasks by site, day, lot and task. */
export function weekGroups(
  { actor }: Pick<Context, 'actor'>,
  plans: readonly UnionWithPlan[],
  until?: string,
): WeekGroup[] {
  const items = plans.flatMap(({ union, called, plant, wood, workshop, site, tasks, ties, today, shade }) =>
    dueTasks(tasks, ties, today, until, shade).map((due) => ({
      due,
      plant: {
        unionId: union.id,
        code: plant.code,
        called,
        place: union.position === 'sole' ? '' : POSITION_WORDS[union.position],
      } satisfies Omit<DuePlant, 'occurrence'>,
      where: {
        workshopId: workshop.id,
        workshop: workshop.title,
        siteId: site.id,
        site: site.name,
        variety: wood.variety,
        method: madeWords(union),
      },
    })),
  );
  const keyOf = ({ workshopId, siteId, variety, method }: DuePlace): string =>
    `${siteId} ${workshopId} ${variety} ${method}`;
  return dueGroups(items, keyOf).map(({ name, missed, where, ...rest }) => ({
    ...rest,
    ...where,
    key: `${keyOf(where)} ${rest.task} ${rest.alarm ? 'alarm' : ''}${written(name, 'mm')}`,
    name: written(name, actor.lengthUnit),
    missed: missed === null ? '' : written(missed, actor.lengthUnit),
  }));
}

/** So long what a grower told stands among what wants somebody of the club, unless it was seen to. */
const TOLD_DAYS = 30;
/** What a grower tells that somebody of the club has to act on. */
const TO_ACT_ON: readonly string[] = ['given-on', 'moved-house', 'label-lost', 'taken'];

/** What growers cannot do or have told, and tasks of which two outcomes were told: somebody of the club sees to it. */
function toldNotes(plans: readonly UnionWithPlan[], unit: LengthUnit): WeekNote[] {
  return plans.flatMap(({ union, called, href, plant, wood, today, tasks, seen, beside }): WeekNote[] => {
    const since = addDays(today, -TOLD_DAYS);
    const lately = seen.filter(({ seenBy, recordedAt }) => seenBy === null && dayOf(recordedAt) >= since);
    const note = (id: string, words: string, detail: string, by: string): WeekNote => ({
      id: `${id} ${union.id}`,
      kind: 'told',
      words,
      detail,
      by,
      href,
    });
    const cannot = lately.flatMap(({ kind, about, seenOn }) => {
      const task = tasks.find(({ id, state }) => id === about && state === 'open');
      return kind === 'cannot' && task && !plant.withUs
        ? [note(`cannot ${about}`, `${called}: its grower cannot do it`, written(task.name, unit), seenOn)]
        : [];
    });
    const told = lately
      .filter(({ kind, about }) => kind === 'happened' && TO_ACT_ON.includes(about))
      .map(({ id, about, seenOn }) =>
        note(
          id,
          `${called}: ${HAPPENINGS[about as Happening].toLowerCase()}`,
          `${wood.variety}. Told by its grower.`,
          seenOn,
        ),
      );
    const twice = new Set(beside.map(({ task }) => task)).size;
    const settle =
      twice === 0
        ? []
        : [
            note(
              'twice',
              `${called}: two outcomes of ${counted(twice, 'task')}`,
              'The lead says which counts.',
              beside.map(({ doneOn }) => doneOn).sort()[0]!,
            ),
          ];
    return [...cannot, ...told, ...settle];
  });
}

const dayOf = (at: Date): string => at.toISOString().slice(0, 10);

/** Visits of this week, each with what it is for. */
function visitNotes(rules: readonly VisitRuleRow[], plans: readonly UnionWithPlan[], until: string): WeekNote[] {
  return rules.flatMap((rule) =>
    visitsUntil(rule, plans, until).map(({ on, tasks, plants, minutes }) => ({
      id: `${rule.siteId} ${on}`,
      kind: 'visit' as const,
      words: `Visit ${plans.find(({ site }) => site.id === rule.siteId)!.site.name}`,
      detail: `${counted(tasks, 'task')} on ${counted(plants, 'plant')}, about ${minutes} minutes.`,
      by: on,
      href: `/visits/${rule.siteId}/${on}`,
    })),
  );
}

/** Wood that stocks want whose graft died: cut, ordered or asked for, by variety and by the way that comes next. */
function regraftWood(plans: readonly UnionWithPlan[], until: string): WeekNote[] {
  const wanted = new Map<string, { way: RegraftWay; wood: Exclude<RegraftWood, 'left'>; plans: UnionWithPlan[] }>();
  for (const plan of plans) {
    const way = plan.second && nextWay(plan.second.ways);
    if (!way || way.wood === 'left' || thoughtOf(way) > until) continue;
    const key = `${plan.wood.variety} ${way.wood} ${way.method} ${way.variant}`;
    const known = wanted.get(key);
    if (known) known.plans.push(plan);
    else wanted.set(key, { way, wood: way.wood, plans: [plan] });
  }
  return [...wanted].map(([key, { way, wood, plans: stocks }]): WeekNote => {
    const [first] = stocks;
    const measured = stocks.filter(({ seen }) => stockCaliper(seen) !== null).length;
    return {
      id: `regraft ${key}`,
      kind: 'wood',
      words: `${REGRAFT_WOOD[wood]} of ${first!.wood.variety} to graft ${counted(stocks.length, 'stock')} again`,
      detail: `${capital(wayWords(way, madeWords))}, ${formatDate(way.from)} to ${formatDate(way.to)}. ${measured} of ${stocks.length} calipers measured.`,
      by: way.cut?.to ?? way.to,
      href: first!.href,
    };
  });
}
const REGRAFT_WOOD: Record<Exclude<RegraftWood, 'left'>, string> = {
  'to-cut': 'Cut dormant wood',
  fresh: 'Find budwood',
  sought: 'Ask for dormant wood',
};

/** The day on which wood for a graft is first thought of: when it is cut, or some weeks before it is needed. */
const thoughtOf = ({ from, cut }: RegraftWay): string => cut?.from ?? addDays(from, -WOOD_AHEAD);
const WOOD_AHEAD = 21;

/** Rounds that close, wood to look at, and what is cut and ordered for days to come. */
async function weekNotes(context: Context, today: string, until: string): Promise<WeekNote[]> {
  const { db, actor } = context;
  const [workshops, rounds, lots, sites, chosen] = await Promise.all([
    listWorkshops(context),
    db.rounds.findAll({ where: { clubId: actor.clubId }, raw: true }),
    ledger(context),
    listSites(context),
    db.workshopWoodLots.findAll({
      where: { clubId: actor.clubId },
      attributes: ['woodLotId', 'workshopId'],
      raw: true,
    }),
  ]);
  const title = new Map(workshops.map((workshop) => [workshop.id, workshop.title]));
  const closing = rounds
    .filter(({ closesOn, workshopId }) => closesOn >= today && closesOn <= until && title.has(workshopId))
    .map(({ id, workshopId, milestone, closesOn }): WeekNote => ({
      id,
      kind: 'round',
      words: `Round “${MILESTONE_WORDS[milestone].name}” closes`,
      detail: title.get(workshopId)!,
      by: closesOn,
      href: `/workshops/${workshopId}/follow-up`,
    }));
  const everyAt = new Map(sites.map(({ id, assumptions }) => [id, assumptionsWith(assumptions)('wood-check').value]));
  const usual = assumptionsWith(sites[0]?.assumptions ?? {})('wood-check').value;
  const siteOf = new Map(workshops.map(({ id, siteId }) => [id, siteId]));
  // Wood of several days is looked at as often as the strictest of their sites wants.
  const everyOf = (lotId: string): number => {
    const own = chosen.filter(({ woodLotId }) => woodLotId === lotId);
    const days = own.flatMap(({ workshopId }) => everyAt.get(siteOf.get(workshopId) ?? '') ?? []);
    return days.length === 0 ? usual : Math.min(...days);
  };
  const wood = lots
    .filter(
      (lot) =>
        lot.stage === 'dormant' && lot.cutOn !== null && lot.booked < lot.sticks && !keptTooLong(lot.cutOn, today),
    )
    .map((lot) => ({ lot, by: addDays(lot.checks.at(-1)?.lookedOn ?? lot.cutOn!, everyOf(lot.id)) }))
    .filter(({ by }) => by <= until)
    .map(({ lot, by }): WeekNote => ({
      id: lot.id,
      kind: 'wood',
      words: `Look at the wood of ${lot.variety}`,
      detail: lot.place,
      by,
      href: `/wood/${lot.id}`,
    }));
  const ahead = workshops.filter(({ date }) => date >= today);
  const planned = await Promise.all(
    ahead.map(async (workshop): Promise<WeekNote[]> => {
      const { facts } = await planningOf(context, workshop);
      return kept('dated plan', facts, (from) => datedPlan(from, METHODS))
        .dates.filter(({ kind, from, to }) => (kind === 'wood' || kind === 'stocks') && from <= until && to >= today)
        .map(({ id, kind, name, to }) => ({
          id: `${workshop.id} ${id}`,
          kind: kind as 'wood' | 'stocks',
          words: name,
          detail: workshop.title,
          by: to,
          href: `/workshops/${workshop.id}/plan/season`,
        }));
    }),
  );
  return [...closing, ...wood, ...planned.flat()].sort((a, b) => (a.by < b.by ? -1 : 1));
}
