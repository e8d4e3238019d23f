import { percentRange } from '@/core/units/percent';
import { capital } from '@/core/units/capital';
import { TOLERANCE } from '@/core/units/tolerance';
import { assumedBark } from '../../contact/cut-face';
import type { MethodFacts } from '../method-facts';
import { type Place, PLACE_WORDS, type Season, thinnestStock, WOOD_WORDS, type WoodState } from '../use';
import type { LengthUnit } from '../../units/length';
import { formatLength } from '../../units/length';
import { isInSeason, nextOpening, type Climate } from './season';

/** What is at hand today. Lengths mm, the date as YYYY-MM-DD. */
export interface Situation {
  stock: number;
  scion: number;
  date: string;
  climate: Climate;
  place: Place;
  barkSlips: boolean;
  wood: WoodState;
  /** Length of the longest piece of wood. */
  woodLength: number;
  /** Wood is scarce: a bud a union is worth more than a stick a union. */
  scarce: boolean;
  practised: boolean;
  /** What the year of a site says, in place of the usual calendar; then `climate` is not asked. */
  atSite?: SiteSeasons | null;
}

/** Which seasons of a method are open at a site on the day. */
export interface SiteSeasons {
  open: (method: MethodFacts) => { season: Season; hangsOn: string | null }[];
  /** Why none is, and when one will be. */
  shut: (method: MethodFacts) => string;
}

/** One method in this situation: whether it can work today, and what speaks for and against it. */
export interface Choice<Known extends MethodFacts = MethodFacts> {
  method: Known;
  works: boolean;
  /** For ranking only: a share of takes to expect, moved by how well it fits. */
  weight: number;
  for: string[];
  against: string[];
  /** What would have to change, for one that cannot work. */
  needs: string[];
}

/**
 * Ranks the methods that can work in a situation, best first, then those that cannot, each with
 * reasons. Limits are those of each method's use; the order starts from its usual take.
 */
export function chooseMethod<Known extends MethodFacts>(
  situation: Situation,
  methods: readonly Known[],
  unit: LengthUnit = 'mm',
): Choice<Known>[] {
  const choices = methods.map((method) => weigh(situation, method, (mm) => formatLength(mm, unit)));
  return choices.sort(
    (a, b) =>
      Number(b.works) - Number(a.works) ||
      (a.works ? b.weight - a.weight : a.needs.length - b.needs.length || b.weight - a.weight),
  );
}

function weigh<Known extends MethodFacts>(
  situation: Situation,
  method: Known,
  length: (mm: number) => string,
): Choice<Known> {
  const { use, prior } = method;
  const choice: Choice<Known> = {
    method,
    works: true,
    weight: (prior.low + prior.high) / 2,
    for: [],
    against: [],
    needs: [],
  };
  const refuse = (against: string, needs: string): void => {
    choice.works = false;
    choice.against.push(against);
    choice.needs.push(needs);
  };
  const favour = (by: number, why: string): void => {
    choice.weight += by;
    choice[by > 0 ? 'for' : 'against'].push(why);
  };
  season(situation, method, favour, refuse);
  if (use.bark === 'must slip' && !situation.barkSlips)
    refuse('The bark does not slip.', 'Water, wait for rain and a cool morning, and test the bark again.');
  if (use.bark !== 'must slip' && !situation.barkSlips) choice.for.push('Needs no slipping bark.');
  if (!use.places.includes(situation.place))
    refuse(
      `It is not done ${PLACE_WORDS[situation.place]}.`,
      `Work ${use.places.map((place) => PLACE_WORDS[place]).join(' or ')}.`,
    );
  caliper(situation, method, length, favour, refuse);
  if (situation.woodLength < use.woodLength - TOLERANCE)
    refuse(`One union takes about ${length(use.woodLength)} of wood.`, `A stick of ${length(use.woodLength)} or more.`);
  if (situation.scarce && use.woodLength <= 40) favour(0.06, 'One bud a union: it saves scarce wood.');
  const short = use.skill - (situation.practised ? 3 : 1);
  if (short > 0) favour(-0.08 * short, 'Asks for practised hands.');
  choice.for.push(`Usual take ${percentRange(prior)} in practised hands.`);
  return choice;
}

type Favour = (by: number, why: string) => void;
type Refuse = (against: string, needs: string) => void;

function season(situation: Situation, method: MethodFacts, favour: Favour, refuse: Refuse): void {
  const { date, climate, wood, place, atSite } = situation;
  const { use } = method;
  const fits = (season: Season): boolean => !season.places || season.places.includes(place);
  const here = atSite?.open(method);
  const now = here
    ? here.map(({ season: open }) => open)
    : use.seasons.filter((season) => fits(season) && isInSeason(season, date, climate, use.tropics ?? false));
  const takes = (season: Season): boolean =>
    season.wood.includes(wood) || (wood === 'moving' && season.wood.includes('dormant'));
  const open = now.find((season) => takes(season) && !season.besides) ?? now.find(takes);
  const hangsOn = here?.find((other) => other.season === open)?.hangsOn;
  if (open) {
    if (hangsOn) favour(-0.05, hangsOn);
    if (open.besides) favour(-0.1, `${capital(open.name)}: it works, and other methods are done more often now.`);
    else favour(0.05, `${capital(open.name)} is its season.`);
    if (wood === 'moving' && open.wood.includes('dormant'))
      favour(-0.2, 'Buds that move have begun to spend what the union needs.');
    return;
  }
  if (now.length > 0) {
    refuse(
      `The wood at hand is ${WOOD_WORDS[wood]}.`,
      `Wood that is ${[...new Set(now.flatMap((season) => season.wood))].map((state) => WOOD_WORDS[state]).join(' or ')}.`,
    );
    return;
  }
  if (atSite) return refuse('Out of its season here.', atSite.shut(method));
  const opening = nextOpening(
    use.seasons.filter(fits).length > 0 ? use.seasons.filter(fits) : use.seasons,
    date,
    climate,
  );
  refuse(
    'Out of its season.',
    opening
      ? `Wait until about ${opening.date} (${opening.season.name}), with wood that is ${opening.season.wood.map((state) => WOOD_WORDS[state]).join(' or ')}.`
      : 'A winter: it is done with dormant wood.',
  );
}

function caliper(
  { stock, scion, place }: Situation,
  { use }: MethodFacts,
  length: (mm: number) => string,
  favour: Favour,
  refuse: Refuse,
): void {
  const { to, thicker, bestFrom } = use.stock;
  const from = thinnestStock(use.stock, place);
  if (stock < from - TOLERANCE)
    refuse(`The stock is thinner than ${length(from)}.`, `A stock of ${length(from)} or more.`);
  else if (stock > to + TOLERANCE && !thicker)
    refuse(`The stock is thicker than ${length(to)}.`, `A stock, or a place on it, of ${length(to)} or less.`);
  else if (stock > to + TOLERANCE) favour(-0.05, `Thicker than the usual ${length(to)}: it works, and bark is thick.`);
  else if (bestFrom !== undefined && stock >= bestFrom - TOLERANCE)
    favour(0.06, `At its best on stocks of ${length(bestFrom)} and more.`);
  const ratio = scion / stock;
  if (use.ratio && ratio < use.ratio.from - TOLERANCE)
    refuse(
      'The scion is too thin for this stock.',
      `A scion of ${length(use.ratio.from * stock)} or more, or a thinner place on the stock.`,
    );
  if (use.ratio && ratio > use.ratio.to + TOLERANCE)
    refuse(
      'The scion is too thick for this stock.',
      `A scion of ${length(use.ratio.to * stock)} or less, or a thicker place on the stock.`,
    );
  if (use.likeUnderBark !== undefined) {
    const under = Math.abs(stock - 2 * assumedBark(stock) - (scion - 2 * assumedBark(scion)));
    if (under <= use.likeUnderBark) favour(0.02, 'Like calipers: both sides can match.');
    else
      favour(
        ratio < 0.6 ? -0.4 : -0.3,
        `Under the bark they differ by ${length(under)}: one side is all that can match.`,
      );
  }
}
