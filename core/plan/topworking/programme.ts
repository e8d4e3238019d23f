import { chooseMethod, type SiteSeasons } from '../../methods/choosing/choose-method';
import type { Climate } from '../../methods/choosing/season';
import type { MethodFacts } from '../../methods/method-facts';
import { type Season, thinnestStock } from '../../methods/use';
import { formatDate, type IsoDate } from '../../units/iso-date';
import { formatLength, type LengthUnit } from '../../units/length';
import { type Limb, NARROW_FORK } from './limb';

/** Longest a change-over takes, years. */
export const LONGEST = 3;

/** What the site's year says of a method on a day: its seasons that are open then, or why none is. */
export interface SeasonOfMethod {
  open: { season: Season; hangsOn: string | null }[];
  shut: string;
}

/** The day of the grafting and what is in season then, by method; null at a site that has no year of its own. */
export interface GraftDay {
  date: IsoDate;
  climate: Climate;
  atSite: Record<string, SeasonOfMethod> | null;
}

/** Dormant sticks can be kept cold for any of these days; budwood of the season is not looked at. */
const WOOD = 'dormant';

/** Method that a limb's caliper suits and the day allows, where the bark slips when a method needs it; null where none does. */
export function methodForLimb(caliper: number, day: GraftDay, known: readonly MethodFacts[]): string | null {
  const scion = Math.min(9, caliper);
  // Limbs are grafted with scions; a method that merely also works beyond its usual caliper is not advised.
  const within = known.filter(
    ({ use }) =>
      caliper >= thinnestStock(use.stock, 'field') &&
      caliper <= use.stock.to &&
      use.seasons.some(({ wood }) => wood.includes(WOOD)),
  );
  const [best] = chooseMethod(
    {
      stock: caliper,
      scion,
      date: day.date,
      climate: day.climate,
      place: 'field',
      barkSlips: true,
      wood: WOOD,
      woodLength: 200,
      scarce: false,
      practised: true,
      atSite: seasonsOf(day),
    },
    within,
  );
  return best?.works ? best.method.id : null;
}

function seasonsOf({ atSite }: GraftDay): SiteSeasons | null {
  return (
    atSite && {
      open: ({ id }) => atSite[id]?.open ?? [],
      shut: ({ id }) => atSite[id]?.shut ?? 'It is not in season then.',
    }
  );
}

/** Narrow forks fold bark in and come out; one limb stays as nurse; the others are grafted, the lower ones later. */
export function suggestProgramme(limbs: Limb[], day: GraftDay, years: number, known: readonly MethodFacts[]): Limb[] {
  const sound = limbs.filter(({ angle }) => angle >= NARROW_FORK).sort((a, b) => b.height - a.height);
  // The lowest sound limb feeds the roots, and comes off last.
  const nurse = sound.length > 1 ? sound.at(-1)! : null;
  const grafted = sound.filter((limb) => limb !== nurse);
  return limbs.map((limb) => {
    if (limb.angle < NARROW_FORK) return { ...limb, deed: 'remove', year: 1, method: null };
    if (limb === nurse) return { ...limb, deed: 'nurse', year: years, method: null };
    const at = grafted.indexOf(limb);
    return {
      ...limb,
      deed: 'graft',
      year: 1 + Math.floor((at * Math.max(1, years - (nurse ? 1 : 0))) / grafted.length),
      method: methodForLimb(limb.caliper, day, known),
    };
  });
}

export interface ProgrammeYear {
  year: number;
  graft: Limb[];
  remove: Limb[];
  /** Nurse limbs that are still on in this year. */
  nurse: Limb[];
  /** Limbs of the old kind still on the tree when the year ends. */
  left: Limb[];
}

/** Methods that the day of the grafting is too early or too late for, each said once with its limbs. */
function outOfSeason(limbs: Limb[], known: readonly MethodFacts[], day: GraftDay | null): string[] {
  if (!day?.atSite) return [];
  const { atSite, date } = day;
  return known.flatMap(({ id, name }) => {
    const said = atSite[id];
    const names = limbs
      .filter(({ deed, method, graftedOn }) => deed === 'graft' && method === id && !graftedOn)
      .map((limb) => limb.name);
    if (!said || names.length === 0) return [];
    if (said.open.length === 0)
      return [`${name} is out of season on ${formatDate(date)} (${names.join(', ')}). ${said.shut}`];
    const risk = said.open.every(({ hangsOn }) => hangsOn !== null) && said.open[0]!.hangsOn;
    return risk ? [`${name} on ${formatDate(date)} is possible, with a risk (${names.join(', ')}). ${risk}`] : [];
  });
}

/** The programme year by year. A nurse limb comes off at the end of its year. */
export function programmeYears(limbs: Limb[]): ProgrammeYear[] {
  const last = Math.max(1, ...limbs.map(({ deed, year }) => (deed === 'leave' ? 1 : year)));
  return Array.from({ length: last }, (_, i) => {
    const year = i + 1;
    const old = limbs.filter((limb) => limb.deed === 'leave' || limb.year > year);
    return {
      year,
      graft: limbs.filter((limb) => limb.deed === 'graft' && limb.year === year),
      remove: limbs.filter((limb) => limb.deed === 'remove' && limb.year === year),
      nurse: limbs.filter((limb) => limb.deed === 'nurse' && limb.year >= year),
      left: old,
    };
  });
}

/** What is wrong with a programme, or not yet thought of, in words that say what to do. */
export function programmeWarnings(
  limbs: Limb[],
  unit: LengthUnit,
  known: readonly MethodFacts[],
  day: GraftDay | null = null,
): string[] {
  const warnings: string[] = [];
  for (const limb of limbs) {
    if (limb.angle < NARROW_FORK && limb.deed === 'graft')
      warnings.push(
        `${limb.name} stands at ${limb.angle}° with bark folded into its fork: take it out rather than graft it.`,
      );
    const method = limb.deed === 'graft' ? known.find(({ id }) => id === limb.method) : undefined;
    if (limb.deed === 'graft' && !method) warnings.push(`Choose a method for ${limb.name}.`);
    if (
      method &&
      (limb.caliper < thinnestStock(method.use.stock, 'field') ||
        (limb.caliper > method.use.stock.to && !method.use.stock.thicker))
    ) {
      warnings.push(
        `${limb.name} is ${formatLength(limb.caliper, unit)} thick; ${method.inSentence} is done on ${formatLength(method.use.stock.from, unit)} to ${formatLength(method.use.stock.to, unit)}. Cut it further out or nearer in, or take another method.`,
      );
    }
  }
  warnings.push(...outOfSeason(limbs, known, day));
  const grafted = limbs.filter(({ deed }) => deed === 'graft');
  const nurses = limbs.filter(({ deed }) => deed === 'nurse');
  if (grafted.length > 0 && nurses.length === 0)
    warnings.push('No nurse limb stays: the roots have no leaves to feed them while the scions heal. Keep one.');
  for (const { year, graft } of programmeYears(limbs)) {
    if (graft.length > 0 && nurses.length > 0 && !nurses.some((limb) => limb.year >= year))
      warnings.push(`In year ${year} limbs are grafted and no nurse limb is left. Keep one a year longer.`);
  }
  const undecided = limbs.filter(({ deed }) => deed === 'leave');
  if (undecided.length > 0)
    warnings.push(
      `${undecided.length} ${undecided.length === 1 ? 'limb is' : 'limbs are'} not decided; at the end all growth of the old variety is gone.`,
    );
  const last = Math.max(0, ...limbs.map(({ year }) => year));
  if (last > LONGEST) warnings.push(`It takes ${last} years; two or three are usual.`);
  return warnings;
}
