import type { Choice, ScopeView } from '@/core/findings/boards/board-views';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { METHODS, methodById } from '@/core/methods/registry';
import { lotName } from '@/server/findings/causes/level-names';
import { filterOf, keeperFacts, MOST_READ } from '@/server/findings/facts/keeper-facts';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { notFound } from '@/server/platform/use-case-error';

export interface Scope {
  view: ScopeView;
  facts: KeeperFact[];
}

/** Keepers of a filter as it came with a request, with what it is about in words. */
export async function scopeOf(context: Context, input: unknown): Promise<Scope> {
  allow(context, 'viewer');
  const filter = filterOf(input);
  const [facts, viewOf] = await Promise.all([keeperFacts(context, filter), scopeView(context, filter)]);
  return {
    facts,
    view: {
      ...viewOf({ keepers: facts.length, lotIds: facts.flatMap(({ woodLotId }) => woodLotId ?? []) }),
      onlyNewest: facts.length === MOST_READ,
    },
  };
}

/** What is known of a scope's keepers as a whole. */
interface InScope {
  keepers: number;
  lotIds: readonly string[];
}

/**
 * What a filter is about, in words, and what else it could be about.
 *
 * @throws UseCaseError for a workshop or a person that is not of the club.
 */
export async function scopeView(context: Context, filter: FindingsFilter): Promise<(inScope: InScope) => ScopeView> {
  const { db, actor } = context;
  const { clubId } = actor;
  const [lots, sites, workshops, person] = await Promise.all([
    db.woodLots.findAll({ where: { clubId }, attributes: ['id', 'variety', 'source', 'cutOn'], raw: true }),
    db.sites.findAll({ where: { clubId }, attributes: ['id', 'name'], raw: true }),
    db.workshops.findAll({ where: { clubId }, attributes: ['id', 'title', 'date'], raw: true }),
    filter.personId
      ? db.people.findOne({ where: { clubId, id: filter.personId }, attributes: ['id', 'name'], raw: true })
      : null,
  ]);
  const inWorkshop = filter.workshopId;
  if (inWorkshop && !workshops.some(({ id }) => id === inWorkshop)) throw notFound('This workshop');
  if (filter.personId && !person) throw notFound('This person');
  const names = {
    lots: lots.map((lot): Choice => ({ id: lot.id, name: lotName(lot) })),
    sites: sites.map(({ id, name }): Choice => ({ id, name })),
  };
  return ({ keepers, lotIds }) => {
    const shown = new Set(lotIds);
    return {
      filter,
      keepers,
      whose: whoseWords(filter, {
        workshop: workshops.find(({ id }) => id === inWorkshop)?.title,
        lot: names.lots.find(({ id }) => id === filter.lotId)?.name,
        site: names.sites.find(({ id }) => id === filter.siteId)?.name,
        person: person ? (person.name ?? ERASED_NAME) : undefined,
      }),
      choices: {
        methods: METHODS.map(({ id, name }) => ({ id, name })),
        years: [...new Set(workshops.map(({ date }) => date.slice(0, 4)))].sort(),
        // A long list of all lots of all years helps nobody: those of what is shown, and the one that is chosen.
        lots: names.lots.filter(({ id }) => shown.has(id) || id === filter.lotId),
        sites: names.sites,
      },
    };
  };
}

interface ScopeNames {
  workshop: string | undefined;
  lot: string | undefined;
  site: string | undefined;
  person: string | undefined;
}

/** "of the club", "by Orla Fenn, of Whip and tongue, of 2025". */
function whoseWords(filter: FindingsFilter, { workshop, lot, site, person }: ScopeNames): string {
  const words = [
    ...(person ? [`by ${person}`] : []),
    ...(filter.method ? [`of ${methodById(filter.method).name.toLowerCase()}`] : []),
    ...(workshop ? [`of “${workshop}”`] : []),
    ...(lot ? [`of the lot ${lot}`] : []),
    ...(site ? [`made at ${site}`] : []),
    ...(filter.year ? [`of ${filter.year}`] : []),
    ...(filter.scoreFrom !== null || filter.scoreTo !== null
      ? [`scored ${filter.scoreFrom ?? 0} to ${filter.scoreTo ?? 100}`]
      : []),
  ];
  return words.length === 0 ? 'of the club' : words.join(', ');
}
