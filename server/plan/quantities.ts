import { printJob } from '@/server/jobs/run-job';
import { capital } from '@/core/units/capital';
import { array, mixed, object, string } from 'yup';
import { secondChanceMethod } from '@/core/methods/second-chance-method';
import { methodById, METHODS } from '@/core/methods/registry';
import { type Choices, relevantChoices } from '@/core/methods/school';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { type BuyLine, type KitLine, kitLines, shoppingList } from '@/core/plan/quantities/kit';
import { keptAmount, keptStore, readKitLine } from '@/core/plan/quantities/kit-lengths';
import type { SpoilRate } from '@/core/plan/quantities/spoiled-cuts';
import type { FoundTake } from '@/core/plan/quantities/found-take';
import { type MethodNeed, methodNeed, type NeedInput } from '@/core/plan/quantities/needs';
import { factsOf } from '@/core/methods/method-facts';
import { siteCalendar } from '@/core/plan/dates/taught-on';
import type { Method } from '@/core/methods/method';
import { writeCsv } from '@/exchange/csv-table';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { paperInput, trimmed, decimal } from '@/core/inputs/fields';
import { kept } from '@/server/platform/kept';
import { parse } from '@/server/platform/parse';
import { countedCuts, groupRate } from './spoil-rates';
import { foundTakes } from './found-takes';
import { putPart, readPart } from './plan-parts';
import { planning, type Planning } from './planning';
import { listSeats } from './seats';
import { transact } from '@/db/transact';
import { ledger } from './wood-ledger';
import { workshopLots } from './lots';
import { type WoodSupply, plainly, woodSupply } from './wood-supply';

interface KitPart {
  edits: Record<string, { total: number }>;
  extra: KitLine[];
}

export interface Quantities extends Planning {
  people: number;
  leftHanded: number;
  needs: MethodNeed[];
  /** What the club found of each method's take, in the needs' order. */
  founds: FoundTake[];
  /** Why nothing can be reckoned, and what to do; null when it could. */
  problem: string | null;
  lines: BuyLine[];
  kitVersion: number;
  wood: WoodSupply[];
  stocks: { species: string; needed: number; there: number }[];
}

/** What each planned method is reckoned from, and what the club found of its take. */
function needInputs(
  { workshop, plan, facts }: Planning,
  people: number,
  lotIds: readonly string[],
  belief: Awaited<ReturnType<typeof foundTakes>>,
  spoils: (method: Method) => SpoilRate,
): { inputs: NeedInput[]; founds: FoundTake[] } {
  const choicesOf = (method: Method): Choices =>
    method.id === workshop.method ? workshop.schools : relevantChoices(workshop.schools, method.schools);
  const calendar = siteCalendar(facts.year, METHODS.map(factsOf));
  const founds: FoundTake[] = [];
  const inputs: NeedInput[] = plan.methods.map((planned) => {
    const method = methodById(planned.method);
    const { id: variant, choices: decided } = calendar.on(planned, workshop.date).variant;
    const { found, history } = belief(method, {
      workshopId: workshop.id,
      variant,
      siteId: workshop.siteId,
      lotIds,
    });
    founds.push(found);
    return {
      plan: planned,
      method,
      choices: { ...choicesOf(method), ...decided },
      history,
      spoils: spoils(method),
      people,
      settings: plan.settings,
    };
  });
  return { inputs, founds };
}

export async function quantities(context: Context, workshopId: string): Promise<Quantities> {
  allow(context, 'viewer');
  const base = await planning(context, workshopId);
  const { plan } = base;
  const [seats, belief, cuts, kit, storeRows, lots] = await Promise.all([
    listSeats(context, workshopId),
    foundTakes(context),
    countedCuts(context),
    readPart<KitPart>(context, workshopId, 'kit'),
    context.db.storeItems.findAll({ where: { clubId: context.actor.clubId }, raw: true }),
    workshopLots(context, workshopId),
  ]);
  const present = seats.filter(({ absent }) => !absent);
  const people = plan.expected ?? present.length;
  const leftHanded = Math.min(people, present.filter((seat) => seat.leftHanded).length);
  const lotIds = lots.wood.map(({ id }) => id);
  const spoils = (method: Method): SpoilRate => groupRate(method, present, cuts);
  const { inputs, founds } = needInputs(base, people, lotIds, belief, spoils);
  const empty = {
    ...base,
    people,
    leftHanded,
    needs: [],
    founds,
    lines: [],
    kitVersion: kit.version,
    wood: [],
    stocks: [],
  };
  let needs: MethodNeed[];
  try {
    needs = inputs.map((input) => kept('what a method takes', plainly(input), () => methodNeed(input)));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ...empty, problem: error.message };
  }
  const lines = kitLines({
    people,
    leftHanded,
    settings: plan.settings,
    unit: context.actor.lengthUnit,
    needs,
  });
  const store = Object.fromEntries(storeRows.map(({ item, inStore, price }) => [item, { inStore, price }]));
  const own = await ledger(context, lotIds);
  const believed = (method: Method) => ({ history: belief(method).history, spoils: spoils(method) });
  const wood = woodSupply(needs, own, workshopId, inputs, secondChanceMethod(METHODS), believed);
  const stocks = [...new Set(needs.map((need) => kindOf(need.plan.stockSpecies)))].map((species) => ({
    species,
    needed: needs
      .filter((need) => kindOf(need.plan.stockSpecies) === species)
      .reduce((sum, need) => sum + need.stocks, 0),
    there: lots.stocks.filter((lot) => kindOf(lot.species) === species).reduce((sum, lot) => sum + lot.stocks, 0),
  }));
  return {
    ...empty,
    needs,
    problem: null,
    lines: shoppingList(lines, kit.body?.edits ?? {}, kit.body?.extra ?? [], withLots(store, wood, stocks)).map(
      (line) => (kit.body?.extra.some(({ id }) => id === line.id) ? line : readKitLine(line, context.actor.lengthUnit)),
    ),
    wood,
    stocks,
  };
}

/** Stocks and sticks are in store when lots of them are there, not when somebody typed so. */
function withLots(
  store: Record<string, { inStore: number; price: number | null }>,
  wood: WoodSupply[],
  stocks: Quantities['stocks'],
): typeof store {
  const counted = { ...store };
  for (const { species, booked, free } of wood)
    counted[`sticks-${species}`] = { inStore: booked + free, price: store[`sticks-${species}`]?.price ?? null };
  for (const { species, there } of stocks)
    counted[`stocks-${species}`] = { inStore: there, price: store[`stocks-${species}`]?.price ?? null };
  return counted;
}

const amount = (what: string) =>
  decimal()
    .typeError(`Enter ${what} in figures.`)
    .required(`Enter ${what}.`)
    .min(0, `${capital(what)} cannot be below 0.`)
    .max(1_000_000, `${capital(what)} cannot be that much.`);
/** In what a length was typed; whatever is no length is kept as it came. */
const typedIn = string()
  .oneOf(['m', 'ft'] as const, 'Reload the page: lengths are in m or ft.')
  .default('m');
const kitInput = object({
  edits: mixed<Record<string, { total: number }>>()
    .required('Enter the amounts.')
    .test(
      'edits',
      'The amounts cannot be read. Reload the page and enter them again.',
      (value) => typeof value === 'object' && value !== null && !Array.isArray(value),
    ),
  extra: array(
    object({
      id: string().required().max(60),
      name: trimmed().required('Name the line you added.').max(80, 'Keep a line to 80 characters.'),
      unit: trimmed().default('pieces').max(20, 'Keep the unit to 20 characters.'),
      total: amount('the amount of a line you added'),
    }),
  )
    .max(60, 'Sixty lines of your own are the most.')
    .default([]),
});

function amountAndUnit(edit: unknown): Parameters<typeof keptAmount> {
  const { total, unit } = parse(object({ total: amount('the amount'), unit: typedIn }), edit);
  return [total, unit];
}

/** Saves what was changed by hand in the kit list, and lines of one's own. */
export async function putKit(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const values = parse(kitInput, input);
  const edits: KitPart['edits'] = {};
  for (const [key, edit] of Object.entries(values.edits))
    edits[key.slice(0, 120)] = { total: keptAmount(...amountAndUnit(edit)) };
  const extra = values.extra.map(({ id, name, unit, total }): KitLine => ({
    id,
    name,
    unit,
    total,
    per: 'workshop',
    each: null,
    note: 'added by hand',
  }));
  return putPart(context, workshopId, 'kit', input, { edits, extra } satisfies KitPart);
}

const storeInput = object({
  items: array(
    object({
      item: trimmed().required('Name the thing.').max(120, 'Keep it to 120 characters.'),
      unit: typedIn,
      inStore: amount('what is in store'),
      price: decimal()
        .nullable()
        .default(null)
        .transform((value, original) => (original === '' ? null : value))
        .typeError('Enter the price in figures, or leave it empty.')
        .min(0, 'A price cannot be below 0.')
        .max(1_000_000, 'A price cannot be that high.'),
    }),
  )
    .required('Enter what is in store.')
    .max(200, 'Two hundred things at once are the most.'),
});

/** What the club has of each thing, and what one costs. */
export async function putStore(context: Context, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { items } = parse(storeInput, input);
  await transact(db, async (transaction) => {
    for (const { item, inStore, price, unit } of items)
      await db.storeItems.upsert(
        { clubId, item, ...keptStore({ inStore, price: price ?? null }, unit) },
        { transaction },
      );
    await audit(db, transaction, { clubId, actorId: userId, action: 'store counted', subjectId: clubId, at: now });
  });
}

/** Amounts that were kept in metres and are read in feet have no end of places. */
const figure = (value: number, places: number): number => Number(value.toFixed(places));

export async function kitCsv(context: Context, workshopId: string): Promise<string> {
  const { lines, problem } = await quantities(context, workshopId);
  if (problem) return writeCsv(['problem'], [{ problem }]);
  return writeCsv(
    ['thing', 'unit', 'per', 'each', 'total', 'in_store', 'to_buy', 'unit_price', 'cost', 'note'],
    lines.map((line) => ({
      thing: line.name,
      unit: line.unit,
      per: line.per,
      each: line.each,
      total: figure(line.total, 2),
      in_store: figure(line.inStore, 2),
      to_buy: figure(line.buy, 2),
      unit_price: line.price === null ? null : figure(line.price, 4),
      cost: line.cost,
      note: line.note,
    })),
  );
}

export async function kitPdf(context: Context, workshopId: string, options: { paper?: unknown }): Promise<Buffer> {
  const { paper } = parse(paperInput, options);
  const { workshop, people, lines, problem, needs } = await quantities(context, workshopId);
  return printJob(
    'print kit',
    {
      title: workshop.title,
      date: workshop.date,
      people,
      lines,
      problem,
      methods: needs.map(
        ({ method, plan }) => `${method.name}: ${plan.practiceEach} practice, ${plan.keepersEach} to take home each`,
      ),
    },
    paper,
  );
}
