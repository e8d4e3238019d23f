import type { Choices } from './school';
import { type Climate, nearestSeason } from './choosing/season';
import type { IsoDate } from '../units/iso-date';
import type { RoundAdvice } from './timetable/round-advice';
import type { Place, Season, Use, VariantId } from './use';

/** How a union lives on, which is what advice about it goes by. */
export const WAYS_ON = [
  'bench',
  'outdoors',
  'covered',
  'spring-chip',
  'forced-bud',
  'sleeping-bud',
  'spring-patch',
  'sleeping-patch',
  'tip',
] as const;
export type WayOn = (typeof WAYS_ON)[number];

/** A way a method is done that has a follow-up of its own. */
export interface Variant {
  id: VariantId;
  /** Said after the method: "with dormant wood in spring"; empty where there is only one. */
  words: string;
  /** Where it is done, when that is what sets it apart. */
  places?: Place[];
  wayOn: WayOn;
  rounds: RoundAdvice[];
  /** What it decides of wood and place, as answers to the questions of the method. */
  choices?: Choices;
}

/** What is known of the making of a union that sets its variant. */
export interface Making {
  place: Place;
  madeOn: IsoDate;
  /** The season of the method that the day falls in at the site; null out of season. */
  season: Season | null;
  climate: Climate;
}

/**
 * The variant of a method that a union made so is. Out of season it is that of the season which lies nearest; where
 * there is no winter nothing sleeps until spring, so what grows on is taken.
 *
 * @example variantOf(chip, { place: 'field', madeOn: '2027-04-21', season: dormantWoodInSpring, climate: 'north' }).id // 'spring'
 */
export function variantOf(
  { variants, use }: { variants: readonly Variant[]; use: Pick<Use, 'seasons'> },
  { place, madeOn, season, climate }: Making,
): Variant {
  const byPlace = variants.find(({ places }) => places?.includes(place));
  if (byPlace) return byPlace;
  const named = (id: VariantId | undefined): Variant | undefined => variants.find((variant) => variant.id === id);
  if (climate === 'tropics') return named('early-summer') ?? named('spring') ?? variants[0]!;
  const seasons = use.seasons.filter(({ places }) => !places || places.includes(place));
  const nearest = season ?? nearestSeason(seasons, madeOn, climate);
  return named(nearest?.variant) ?? variants[0]!;
}

/** What a way of living on means for all that follows, said where it is chosen. */
export const WAY_MEANS: Record<WayOn, string> = {
  bench: 'Kept warm until it has knit, then cool until it is planted out.',
  outdoors: 'It stays where it was grafted and grows this spring.',
  covered: 'Its cover stays shut until it has healed; it grows this season.',
  'spring-chip': 'It grows this season: the stock is headed back once the bud swells.',
  'forced-bud': 'It grows this season: the stock is cut back or bent as soon as the bud is seen alive.',
  'sleeping-bud': 'It sleeps until spring: the stock keeps its top over the winter and is headed back when buds swell.',
  'spring-patch': 'It grows this season: the stock’s top comes off once the patch is green.',
  'sleeping-patch': 'It sleeps until spring: the stock keeps its top over the winter.',
  tip: 'It grows when it flushes next; the stock is headed back in stages.',
};

/**
 * The variants a method can be on a day, the likeliest first, by its seasons in the order in which they suit the day. Several
 * mean that a person has to say which one is meant.
 */
export function fittingVariants(
  method: { variants: readonly Variant[]; use: Pick<Use, 'seasons'> },
  making: Omit<Making, 'season'>,
  seasons: readonly Season[],
): [Variant, ...Variant[]] {
  const [likeliest] = seasons;
  const first = variantOf(method, { ...making, season: likeliest ?? null });
  if (making.climate === 'tropics' || first.places) return [first];
  const others = seasons.flatMap(({ variant }) =>
    method.variants.filter(({ id }) => id === variant && id !== first.id),
  );
  return [first, ...new Set(others)];
}

/** A variant of a method by its id, or its usual one where it has no such. */
export function variantWith({ variants }: { variants: readonly Variant[] }, id: VariantId): Variant {
  return variants.find((variant) => variant.id === id) ?? variants[0]!;
}
