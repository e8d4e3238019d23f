import { kindOf } from '@/core/methods/compatibility/compatibility';
import type { Method } from '@/core/methods/method';
import { METHODS, methodById } from '@/core/methods/registry';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import { type QuantitySettings, USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { type Part, putPart, readPart } from './plan-parts';
import { UseCaseError } from '@/server/platform/use-case-error';
import { workshopLots } from './lots';
import { getWorkshop } from './workshops';
import { methodsInput } from '@/core/plan/quantities/methods-input';

/** What is taught and how much of it is made. */
export interface MethodsPart {
  methods: PlannedMethod[];
  /** People to plan for while the roster is not full; null: those with a seat. */
  expected: number | null;
  settings: QuantitySettings;
}

/** The methods of a workshop as they stand: what was saved, kept in step with the method and promise of the day. */
export async function plannedMethods(
  context: Context,
  workshop: WorkshopRow,
): Promise<Part<MethodsPart> & { body: MethodsPart }> {
  const { version, body } = await readPart<MethodsPart>(context, workshop.id, 'methods');
  const stored = body ?? { methods: [await firstGuess(context, workshop)], expected: null, settings: USUAL_SETTINGS };
  const rows = stored.methods.some(({ method }) => method === workshop.method)
    ? stored.methods
    : stored.methods.map((row, i) =>
        i === 0 ? { ...row, method: workshop.method, place: placeFor(workshop.method, row.place) } : row,
      );
  const others = rows
    .filter(({ method }) => method !== workshop.method)
    .reduce((sum, { keepersEach }) => sum + keepersEach, 0);
  const methods = rows.map((row) =>
    row.method === workshop.method ? { ...row, keepersEach: Math.max(0, workshop.promisedKeepers - others) } : row,
  );
  return { version, body: { ...stored, methods, settings: { ...USUAL_SETTINGS, ...stored.settings } } };
}

/** The methods of a day, the one the workshop is called by first. */
export async function taughtMethods(context: Context, workshop: WorkshopRow): Promise<Method[]> {
  const { body } = await plannedMethods(context, workshop);
  return [...new Set([workshop.method, ...body.methods.map(({ method }) => method)])].map(methodById);
}

/** The method of the day that a page asks for, or the day's own where it asks for none that is taught. */
export function methodAsked(taught: readonly Method[], asked: string | null | undefined): Method {
  return taught.find(({ id }) => id === asked) ?? taught[0]!;
}

function placeFor(method: string, place: PlannedMethod['place']): PlannedMethod['place'] {
  const { places } = methodById(method).use;
  return places.includes(place) ? place : places[0]!;
}

/** Before anybody planned: the method of the day, on the wood that was chosen. */
async function firstGuess(context: Context, workshop: WorkshopRow): Promise<PlannedMethod> {
  const lots = await workshopLots(context, workshop.id);
  const scionSpecies = kindOf(lots.wood[0]?.species ?? workshop.scionSpecies);
  return {
    method: workshop.method,
    place: methodById(workshop.method).use.places[0]!,
    scionSpecies,
    stockSpecies: kindOf(lots.stocks[0]?.species ?? (workshop.stockSpecies || scionSpecies)),
    practiceEach: 4,
    keepersEach: workshop.promisedKeepers,
    practiceOn: 'prunings',
  };
}

/** Saves what is taught; the promise of the day is the sum of what each method promises. */
export async function putPlannedMethods(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const workshop = await getWorkshop(context, workshopId);
  const values = parse(methodsInput(METHODS.map(({ id }) => id)), input);
  const names = values.methods.map(({ method }) => method);
  if (new Set(names).size < names.length)
    throw new UseCaseError('invalid', 'A method is there twice. Put its numbers on one line.');
  if (!names.includes(workshop.method))
    throw new UseCaseError(
      'invalid',
      `${methodById(workshop.method).name} is the method this workshop is scored by, so it stays in the plan. Change it under “The day” first.`,
    );
  for (const [i, { method, place }] of values.methods.entries()) {
    if (!methodById(method).use.places.includes(place))
      throw new UseCaseError('invalid', `${methodById(method).name} is not done there. Choose another place for it.`, {
        [`methods[${i}].place`]: 'Choose another place.',
      });
  }
  const promisedKeepers = values.methods.reduce((sum, { keepersEach }) => sum + keepersEach, 0);
  if (promisedKeepers > 20)
    throw new UseCaseError(
      'invalid',
      'Together the methods promise more than 20 keepers to each person. Promise fewer.',
    );
  // Kinds are kept as they are compared, so that "Pear" finds the sticks of pear.
  const methods = values.methods.map((row) => ({
    ...row,
    scionSpecies: kindOf(row.scionSpecies),
    stockSpecies: kindOf(row.stockSpecies),
    // One that was chosen for another method is let go.
    variant: methodById(row.method).variants.find(({ id }) => id === row.variant)?.id ?? null,
  }));
  const body: MethodsPart = {
    methods,
    expected: values.expected ?? null,
    settings: { ...values.settings, stumps: values.settings.stumps ?? {} },
  };
  const {
    db,
    actor: { clubId },
  } = context;
  return putPart(context, workshopId, 'methods', input, body, async (transaction) => {
    await db.workshops.update({ promisedKeepers }, { where: { clubId, id: workshopId }, transaction });
  });
}
