import type { CompareView, ModelView } from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import { filterQuery, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import type { MixedUnion } from '@/core/findings/mixed/mixed-design';
import type { MixedFit } from '@/core/findings/mixed/mixed-model';
import { differsSentence, FEW_KNOWN } from '@/core/findings/sentences/differs-sentence';
import { methodById } from '@/core/methods/registry';
import type { NameOfLevel } from '@/server/findings/causes/level-names';
import type { Reckoned } from './reckoned';

/** Groups of the model, what they are called, and what the unions of a level are found by. */
const GROUPS: Record<string, { words: string; filter: keyof FindingsFilter | null }> = {
  'wood-lot': { words: 'lots of wood', filter: 'lotId' },
  'stock-lot': { words: 'lots of stocks', filter: null },
  workshop: { words: 'workshops', filter: 'workshopId' },
  grafter: { words: 'hands', filter: 'personId' },
};

/** The score is weighed where nearly all were judged; then those that were not are left out. */
const JUDGED_ENOUGH = 0.9;

/** Keepers of a known fate as the model takes them; null where too little is known. */
export function comparedUnions(facts: readonly KeeperFact[]): MixedUnion[] {
  const known = facts.filter(({ fate }) => fate !== 'unknown');
  const scored = known.filter(({ score }) => score !== null);
  const rows = scored.length >= JUDGED_ENOUGH * known.length ? scored : known;
  const useScore = rows === scored;
  return rows.map((fact) => ({
    alive: fact.fate === 'alive',
    method: fact.method,
    score: useScore ? fact.score : null,
    groups: {
      'wood-lot': fact.woodLotId,
      'stock-lot': fact.stockLotId,
      workshop: fact.workshopId,
      grafter: fact.makerId,
    },
  }));
}

/** How many answers are missing before lots, days and hands are compared; null where there are enough. */
export function missingToCompare(unions: readonly MixedUnion[]): ModelView<never> | null {
  const alive = unions.filter((union) => union.alive).length;
  const dead = unions.length - alive;
  const missing = answersMissing({ alive, dead }, MINIMUM.compare);
  if (missing === 0) return null;
  return {
    state: 'missing',
    missing: { known: unions.length, rarer: Math.min(alive, dead), missing },
    sentence: `Too little is known to weigh lots, days and hands at once: ${unions.length} known fates (${alive} live, ${dead} died). About ${missing} more answers would do; the plain counts under “Take” hold meanwhile.`,
  };
}

/** The model in words and names. */
export function compareView(
  found: Reckoned<MixedFit>,
  unions: readonly MixedUnion[],
  {
    nameOf,
    workshops,
    filter,
  }: { nameOf: NameOfLevel; workshops: ReadonlyMap<string, string>; filter: FindingsFilter },
): ModelView<CompareView> {
  if (found.state !== 'done') return found;
  const fit = found.result;
  const named = (group: string, level: string, how?: 'short'): string => {
    if (group === 'workshop') return workshops.get(level) ?? 'a workshop';
    return nameOf({ kind: group as 'wood-lot' | 'stock-lot' | 'grafter', level }, how);
  };
  return {
    state: 'done',
    id: found.id,
    view: {
      sentence: differsSentence(
        fit,
        Object.fromEntries(Object.entries(GROUPS).map(([group, { words }]) => [group, words])),
        named,
      ),
      unions: fit.unions,
      scored: unions.some(({ score }) => score !== null),
      logLikelihood: fit.logLikelihood,
      notes: fit.notes.map((note) => worded(note, named)),
      fixed: fit.fixed.map((column) => ({ ...column, name: columnName(column.name, named) })),
      groups: fit.spreads.map(({ group, spread }) => {
        const levels = fit.levels[group] ?? [];
        const pairs = fit.apart[group] ?? [];
        return {
          group,
          spread,
          words: GROUPS[group]?.words ?? group,
          levels: levels
            .map((level, at) => ({
              name: named(group, level.level),
              short: named(group, level.level, 'short'),
              href: hrefOf(group, level.level, filter),
              take: level.take,
              low: level.low,
              high: level.high,
              alive: level.alive,
              known: level.known,
              few: level.known < FEW_KNOWN,
              apartFrom: pairs.flatMap(([a, b]) =>
                a === at || b === at ? named(group, levels[a === at ? b : a]!.level) : [],
              ),
            }))
            .sort((a, b) => b.take - a.take),
        };
      }),
    },
  };
}

function hrefOf(group: string, level: string, filter: FindingsFilter): string {
  const by = GROUPS[group]?.filter;
  return `/findings/unions?${filterQuery(by ? { ...filter, [by]: level } : filter)}`;
}

function columnName(name: string, named: (group: string, level: string) => string): string {
  if (name === '(Intercept)') return 'the first method, scored 80';
  if (name === 's') return 'ten points of score';
  if (name.startsWith('method')) return methodById(name.slice('method'.length)).name;
  const group = Object.keys(GROUPS).find((each) => name.startsWith(each));
  return group ? named(group, name.slice(group.length)) : name;
}

/** Notes of the model, with the groups' own words. */
function worded(note: string, named: (group: string, level: string) => string): string {
  return note
    .replaceAll(/method([a-z0-9-]+)/g, (_, id: string) => methodById(id).name)
    .replaceAll(/\b(wood-lot|stock-lot|grafter|workshop)([0-9a-f-]{36})?/g, (_, group: string, level?: string) =>
      level ? named(group, level) : `the ${GROUPS[group]!.words}`,
    );
}
