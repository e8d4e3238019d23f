import { capital } from '@/core/units/capital';
import { array, object, string } from 'yup';
import { METHODS } from '@/core/methods/registry';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { factsOf } from '@/core/methods/method-facts';
import { siteSeasons } from '@/core/plan/dates/site-seasons';
import { seasonsOf } from '@/core/plan/dates/taught-on';
import type { Limb } from '@/core/plan/topworking/limb';
import type { GraftDay } from '@/core/plan/topworking/programme';
import type { TopworkingPlanRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { count, id, isoDate, text, decimal, optionalDate, trimmed } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { listSites } from '@/server/club/sites';
import { listSiteYears } from './site-years';

const figure = (what: string, least: number, most: number, unit: string) =>
  decimal()
    .typeError(`Enter ${what} in figures.`)
    .required(`Enter ${what}.`)
    .min(least, `${capital(what)} must be ${least} ${unit} or more.`)
    .max(most, `${capital(what)} of more than ${most} ${unit} cannot be right.`);

const limbInput = object({
  id: id('the limb'),
  name: text('a name for the limb', 40),
  height: figure('the height of the limb', 0, 20_000, 'mm'),
  bearing: figure('the bearing of the limb', 0, 360, 'degrees'),
  angle: figure('the angle of the limb', 0, 120, 'degrees'),
  caliper: figure('the caliper of the limb', 1, 400, 'mm'),
  deed: string()
    .oneOf(['graft', 'remove', 'nurse', 'leave'] as const, 'Choose what becomes of the limb.')
    .required('Choose what becomes of the limb.'),
  year: count('the year', 1, 6),
  method: string()
    .nullable()
    .default(null)
    .oneOf([null, ...METHODS.map((method) => method.id)], 'Choose a method from the list.'),
  graftedOn: optionalDate('the day it was grafted').nullable().default(null),
});

const planInput = object({
  tree: text('which tree it is', 120),
  species: text('its species', 60),
  graftDay: optionalDate('the day of the first grafting'),
  firstYear: count('the first year', 1900, 2200),
  version: count('the version', 0, 100_000),
  limbs: array(limbInput)
    .required('List the limbs.')
    .max(40, 'A programme of more than 40 limbs is more than one tree.'),
});

export async function listPlans(context: Context): Promise<TopworkingPlanRow[]> {
  allow(context, 'viewer');
  return context.db.topworkingPlans.findAll({
    where: { clubId: context.actor.clubId },
    order: [['tree', 'ASC']],
    raw: true,
  });
}

export async function getPlan(context: Context, planId: string): Promise<TopworkingPlanRow> {
  allow(context, 'viewer');
  const plan = await context.db.topworkingPlans.findOne({
    where: { clubId: context.actor.clubId, id: planId },
    raw: true,
  });
  if (!plan) throw notFound('The programme');
  return plan;
}

const dayInput = object({
  date: isoDate('the day of the first grafting'),
  species: trimmed().max(60).default(''),
});

/** What is in season outdoors on the day a tree is to be grafted, by the year of the club's first site. */
export async function graftDay(context: Context, input: unknown): Promise<GraftDay> {
  allow(context, 'viewer');
  const { date, species } = parse(dayInput, input, context.now);
  const [first] = await listSites(context);
  if (!first) return { date, climate: 'north', atSite: null };
  const [found] = await listSiteYears(context, [first]);
  const known = METHODS.map(factsOf);
  const kind = kindOf(species);
  const seasons = siteSeasons(
    found!.year,
    known,
    { place: 'field', scionSpecies: kind, stockSpecies: kind },
    date,
    context.actor.temperatureUnit,
  );
  return {
    date,
    climate: seasonsOf(found!.year),
    atSite:
      seasons &&
      Object.fromEntries(
        known
          .filter(({ use }) => use.places.includes('field'))
          .map((method) => [method.id, { open: seasons.open(method), shut: seasons.shut(method) }]),
      ),
  };
}

/** Saves a programme under an id from the browser, if nobody changed it since it was opened. */
export async function putPlan(context: Context, planId: string, input: unknown): Promise<TopworkingPlanRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the programme'), planId);
  const { version, graftDay, firstYear, ...values } = parse(planInput, input, now);
  const row = {
    ...values,
    graftDay: graftDay || null,
    firstYear: graftDay ? Number(graftDay.slice(0, 4)) : firstYear,
    limbs: values.limbs as Limb[],
    version: version + 1,
    changedAt: now,
  };
  try {
    await transact(db, async (transaction) => {
      const known = await db.topworkingPlans.findOne({ where: { id: planId }, transaction, raw: true });
      if (known && known.clubId !== clubId) throw notFound('The programme');
      if (known) {
        const [changed] = await db.topworkingPlans.update(row, { where: { clubId, id: planId, version }, transaction });
        // The same request again finds its own work done.
        const same =
          known.version === version + 1 &&
          JSON.stringify(known.limbs) === JSON.stringify(row.limbs) &&
          known.tree === row.tree;
        if (changed === 0 && !same)
          throw new UseCaseError(
            'conflict',
            'Somebody changed this programme meanwhile. Open it anew in another window and bring your changes over; they are still here.',
          );
        if (changed === 0) return;
      } else await db.topworkingPlans.create({ id: planId, clubId, ...row }, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: known ? 'programme changed' : 'programme made',
        subjectId: planId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    // The same request sent twice at once: the other one made it.
    const twin = await db.topworkingPlans.findOne({ where: { clubId, id: planId, tree: row.tree }, raw: true });
    if (twin) return twin;
    throw new UseCaseError(
      'conflict',
      'There is a programme for a tree of this name already. Change that one, or name this tree otherwise.',
      { tree: 'There is one of this name.' },
    );
  }
  return getPlan(context, planId);
}
