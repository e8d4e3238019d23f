import type { Method } from '@/core/methods/method';
import { factsOf } from '@/core/methods/method-facts';
import { METHODS, methodById } from '@/core/methods/registry';
import type { Place, VariantId } from '@/core/methods/use';
import { type Variant, WAY_MEANS } from '@/core/methods/variant';
import { askedMethod } from '@/core/plan/dates/planned-method';
import { siteCalendar, type SiteYear } from '@/core/plan/dates/taught-on';
import { variantInput } from '@/core/plan/dates/variant-input';
import { formatDate, type IsoDate } from '@/core/units/iso-date';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { putPart } from './plan-parts';
import { planningOf, type Planning } from './planning';
import type { MethodsPart } from './planned-methods';
import { getWorkshop } from './workshops';

/** A way a union of a method can live on, as it is put to whoever chooses. */
export interface VariantOption {
  id: VariantId;
  /** "in late summer". */
  words: string;
  means: string;
  /** Whether the day allows it. */
  fits: boolean;
}

/** What a method's unions of a day are taken for, and what they could be. */
export interface VariantChoice {
  method: string;
  name: string;
  date: IsoDate;
  variant: VariantId;
  /** Somebody said so; else the date suggests it. */
  chosen: boolean;
  reason: string;
  options: VariantOption[];
  /** The day allows several, and nobody said which is meant. */
  open: boolean;
}

/** Variants that a season tells from one another; those of a place are chosen with the place. */
export function seasonalVariants({ variants }: Pick<Method, 'variants'>): readonly Variant[] {
  const seasonal = variants.filter(({ places }) => !places);
  return seasonal.length > 1 ? seasonal : [];
}

/** The variants of a method that a day allows at a site, the likeliest first. */
export function fittingOn(
  year: SiteYear,
  method: string,
  { place, scion, stock }: { place: Place; scion: string; stock: string },
  date: IsoDate,
): Variant[] {
  const plan = askedMethod(method, place, { scion, stock });
  return siteCalendar(year, METHODS.map(factsOf)).on(plan, date).fitting;
}

/** The options of a method, with those that a day allows marked. */
export function variantOptions(method: Pick<Method, 'variants'>, fitting: readonly Variant[]): VariantOption[] {
  return seasonalVariants(method).map(({ id, words, wayOn }) => ({
    id,
    words,
    means: WAY_MEANS[wayOn],
    fits: fitting.some((variant) => variant.id === id),
  }));
}

export interface VariantChoices {
  /** Of the part of the plan they are kept in. */
  version: number;
  choices: VariantChoice[];
}

/** How each planned method is taken to live on, of those that could live on in several ways. */
export async function variantChoices(context: Context, workshopId: string): Promise<VariantChoices> {
  allow(context, 'viewer');
  const known = await planningOf(context, await getWorkshop(context, workshopId));
  return { version: known.planVersion, choices: choicesOf(known) };
}

function choicesOf({ plan, facts }: Planning): VariantChoice[] {
  return plan.methods.flatMap((row): VariantChoice[] => {
    const method = methodById(row.method);
    if (seasonalVariants(method).length === 0) return [];
    const fitting = fittingOn(
      facts.year,
      row.method,
      { place: row.place, scion: row.scionSpecies, stock: row.stockSpecies },
      facts.date,
    );
    const chosen = method.variants.find(({ id }) => id === row.variant);
    return [
      {
        method: row.method,
        name: method.name,
        date: facts.date,
        variant: (chosen ?? fitting[0]!).id,
        chosen: chosen !== undefined,
        reason: row.variantReason ?? '',
        options: variantOptions(method, fitting),
        open: chosen === undefined && fitting.length > 1,
      },
    ];
  });
}

/** Says how the unions of a planned method are meant to live on; what the day does not allow needs a reason. */
export async function putPlanVariant(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const { method, variant, reason } = parse(variantInput(METHODS.map(({ id }) => id)), input);
  const known = await planningOf(context, await getWorkshop(context, workshopId));
  const choice = choicesOf(known).find((each) => each.method === method);
  if (!choice)
    throw new UseCaseError('invalid', 'This day does not teach that method in several ways. Reload the page.');
  refuseUnfit(choice.options, choice, variant as VariantId, reason ?? '');
  const body: MethodsPart = {
    ...known.plan,
    methods: known.plan.methods.map((row) =>
      row.method === method ? { ...row, variant: variant as VariantId, variantReason: reason ?? '' } : row,
    ),
  };
  return putPart(context, workshopId, 'methods', input, body);
}

/** Refuses a variant that a method does not have, and one that the day does not allow without a reason. */
export function refuseUnfit(
  options: readonly VariantOption[],
  { name, date }: { name: string; date: IsoDate },
  variant: VariantId,
  reason: string,
): void {
  const option = options.find(({ id }) => id === variant);
  if (!option)
    throw new UseCaseError('invalid', `${name} is not done so. Choose one of those in the list.`, {
      variant: 'Choose one of those in the list.',
    });
  if (!option.fits && reason.trim() === '')
    throw new UseCaseError(
      'invalid',
      `${name} ${option.words} is not what ${formatDate(date)} allows here. Say why it is meant so, or choose another.`,
      { reason: 'Say why.' },
    );
}
