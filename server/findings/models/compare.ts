import type { CompareView, ModelView } from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import { filterQuery, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { type AdjustedUnion, MIXED_GROUPS, type MixedGroup } from '@/core/findings/mixed/adjusted-design';
import type { ComparedLevelFound, Comparison } from '@/core/findings/mixed/comparison';
import { differsSentence, FEW_KNOWN } from '@/core/findings/sentences/differs-sentence';
import type { LevelKind } from '@/core/findings/shared/shared-factors';
import { methodById } from '@/core/methods/registry';
import type { NameOfLevel } from '@/server/findings/causes/level-names';
import type { Reckoned } from './reckoned';

/** Groups of the model, what they are called, and what the unions of a level are found by. */
const GROUPS: Record<MixedGroup, { words: string; kind: LevelKind | null; filter: keyof FindingsFilter | null }> = {
  wood_lot: { words: 'lots of wood', kind: 'wood-lot', filter: 'lotId' },
  stock_lot: { words: 'lots of stocks', kind: 'stock-lot', filter: null },
  workshop: { words: 'workshops', kind: null, filter: 'workshopId' },
  grafter: { words: 'hands', kind: 'grafter', filter: 'personId' },
};

/** Keepers of a known fate as models take them. */
export function knownUnions(facts: readonly KeeperFact[]): AdjustedUnion[] {
  return facts
    .filter(({ fate }) => fate !== 'unknown')
    .map((fact) => ({
      alive: fact.fate === 'alive',
      method: fact.method,
      score: fact.score,
      fatal: fact.score === null ? null : fact.fatal,
      groups: {
        wood_lot: fact.woodLotId,
        stock_lot: fact.stockLotId,
        workshop: fact.workshopId,
        grafter: fact.makerId,
      },
    }));
}

/** How many answers are missing before lots, days and hands are compared; null where there are enough. */
export function missingToCompare(unions: readonly AdjustedUnion[]): ModelView<never> | null {
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

/** How levels are named: lots and people by their names, workshops by their titles, hands with where their grafts stand. */
export interface LevelWords {
  nameOf: NameOfLevel;
  workshops: ReadonlyMap<string, string>;
  homeOf: (makerId: string) => string;
  filter: FindingsFilter;
}

/** The model in words and names. */
export function compareView(found: Reckoned<Comparison>, words: LevelWords): ModelView<CompareView> {
  if (found.state !== 'done') return found;
  const { levels, apart, fixed, spreads, notes, unions } = found.result;
  const named = (group: MixedGroup, level: string, how?: 'short'): string => {
    const { kind } = GROUPS[group];
    return kind ? words.nameOf({ kind, level }, how) : (words.workshops.get(level) ?? 'a workshop');
  };
  const twinsOf = ({ twins }: ComparedLevelFound): string[] => twins.map((twin) => named(twin.group, twin.level));
  const standsOf = (group: MixedGroup, level: string): string | null =>
    group === 'grafter' ? words.homeOf(level) : null;
  return {
    state: 'done',
    id: found.id,
    view: {
      sentence: differsSentence(
        found.result,
        Object.fromEntries(MIXED_GROUPS.map((group) => [group, GROUPS[group].words])) as Record<MixedGroup, string>,
        (group, level) => withTwins(named(group, level.level), twinsOf(level), standsOf(group, level.level)),
      ),
      unions,
      notes: notes.map((note) => worded(note)),
      fixed: fixed.map((column) => ({ ...column, name: columnName(column.name) })),
      groups: spreads.map(({ group: name, spread }) => {
        const group = name as MixedGroup;
        const own = levels[group] ?? [];
        return {
          group,
          spread,
          words: GROUPS[group].words,
          levels: own
            .map((level, at) => ({
              name: named(group, level.level),
              short: named(group, level.level, 'short'),
              href: hrefOf(group, level.level, words.filter),
              take: level.take,
              low: level.low,
              high: level.high,
              alive: level.alive,
              known: level.known,
              differs: level.differs,
              twins: twinsOf(level),
              stands: standsOf(group, level.level),
              few: level.known < FEW_KNOWN,
              apartFrom: (apart[group] ?? []).flatMap(([a, b]) =>
                a === at || b === at ? named(group, own[a === at ? b : a]!.level) : [],
              ),
            }))
            .sort((a, b) => b.take - a.take),
        };
      }),
    },
  };
}

/** "the lot of Grey Heron, which is all of “Spring” (these are the same grafts …)"; of a hand, with the place. */
function withTwins(name: string, twins: readonly string[], stands: string | null): string {
  const same =
    twins.length > 0
      ? `, which is all of ${twins.join(' and ')} (these are the same grafts, and nobody can tell which of them it is),`
      : '';
  const place =
    stands === null ? '' : ` (whose grafts mostly stand ${stands}, so that hand and place cannot be told apart)`;
  return `${name}${same}${place}`;
}

function hrefOf(group: MixedGroup, level: string, filter: FindingsFilter): string {
  const by = GROUPS[group].filter;
  return `/findings/unions?${filterQuery(by ? { ...filter, [by]: level } : filter)}`;
}

function columnName(name: string): string {
  if (name === '(Intercept)') return 'the first method';
  return name.startsWith('method') ? methodById(name.slice('method'.length)).name : name;
}

/** Notes of the model, with the groups' own words. */
function worded(note: string): string {
  return note
    .replaceAll(/method([a-z0-9-]+)/g, (_, id: string) => methodById(id).name)
    .replaceAll(
      /\b(wood_lot|stock_lot|grafter|workshop)\b/g,
      (group) => `The group of ${GROUPS[group as MixedGroup].words}`,
    );
}
