import { remembered } from '@/server/club/remembered';
import type { TakeBoard, TakeGroupView, TakeMark } from '@/core/findings/boards/board-views';
import { groupTwins } from '@/core/findings/boards/group-twins';
import { type CountedLevel, type TakeParts, takePartsOfFacts } from '@/core/findings/boards/take-parts';
import { takePartsOfCounts } from '@/core/findings/boards/take-parts-of-counts';
import { TAKE_KINDS, type TakeKind } from '@/core/findings/facts/take-by';
import { takeSentence } from '@/core/findings/sentences/take-sentence';
import { runOfMethod } from '@/core/findings/years/run-chart';
import { type Milestone, MILESTONE_WORDS, MILESTONES } from '@/core/methods/milestones';
import { methodById } from '@/core/methods/registry';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { levelNames, type NameOfLevel } from '@/server/findings/causes/level-names';
import { countedKeepers, hasMoreKeepers, isCounted } from '@/server/findings/facts/counted-keepers';
import { filterOf } from '@/server/findings/facts/keeper-facts';
import { allow, type Context } from '@/server/platform/context';
import { type Scope, scopeOf, scopeView } from './scope';

/** More keepers than these are counted, not drawn one by one. */
const DRAWN_ONE_BY_ONE = 1200;

/** More groups of a kind than these are not listed: a region has thousands of hands. */
const LISTED = 200;

/**
 * Take of a filter: in a sentence, by milestone, by what keepers share, with the unheard, and from workshop to workshop.
 * Few keepers are read one by one; of many the kept counts are read.
 */
export function takeBoard(context: Context, input: unknown): Promise<TakeBoard> {
  return remembered(context, 'take', input, (look) => makeTakeBoard(look, input));
}

async function makeTakeBoard(context: Context, input: unknown): Promise<TakeBoard> {
  allow(context, 'viewer');
  const filter = filterOf(input);
  if (!isCounted(filter) || !(await hasMoreKeepers(context, DRAWN_ONE_BY_ONE, filter.workshopId)))
    return takeOfScope(context, await scopeOf(context, filter));
  const milestone = filter.milestone as Milestone | null;
  const [counts, viewOf] = await Promise.all([countedKeepers(context, filter), scopeView(context, filter)]);
  const parts = takePartsOfCounts(counts, milestone);
  // Few of many: they can be seen one by one after all.
  if (parts.keepers <= DRAWN_ONE_BY_ONE) return takeOfScope(context, await scopeOf(context, filter));
  return boardOf(context, parts, viewOf(parts));
}

/** The same of keepers that were read already. */
export async function takeOfScope(context: Context, { facts, view }: Scope): Promise<TakeBoard> {
  return boardOf(context, takePartsOfFacts(facts, view.filter.milestone as Milestone | null), view);
}

async function boardOf(context: Context, parts: TakeParts, view: TakeBoard['scope']): Promise<TakeBoard> {
  const [nameOf, workshops] = await Promise.all([
    levelNames(context),
    context.db.workshops.findAll({
      where: { clubId: context.actor.clubId },
      attributes: ['id', 'title', 'date'],
      raw: true,
    }),
  ]);
  const milestone = view.filter.milestone as Milestone | null;
  const { unions, plants, varieties } = parts.whole;
  const siteOf = new Map(view.choices.sites.map(({ id, name }) => [id, name]));
  const drawn = parts.keepers <= DRAWN_ONE_BY_ONE;
  const shown = new Map<string, { at: number; mark: TakeBoard['marks'][number] }>();
  const placeOf = ({ unionId, ...mark }: TakeMark): number => {
    const known = shown.get(unionId) ?? { at: shown.size, mark };
    shown.set(unionId, known);
    return known.at;
  };
  const groupView = (kind: TakeKind, { level, take, marks }: CountedLevel): TakeGroupView => ({
    level,
    take,
    name: levelName(kind, level, { nameOf, siteOf }),
    marks: drawn && marks ? marks.map(placeOf) : null,
    twins: [],
  });
  const alone = TAKE_KINDS.map((kind) => {
    // Keepers nobody was asked about at a milestone say nothing of it.
    const asked = parts.kinds[kind].filter(({ take }) => take.handedOver > 0);
    const listed = listedOf(asked);
    return { kind, groups: listed.map((level) => groupView(kind, level)), more: asked.length - listed.length };
  }).filter(({ groups }) => groups.length > 0);
  const seen = [...shown.values()];
  const twinsOf = groupTwins(alone, (place) => seen[place]!.mark.state);
  const kinds = alone.map(({ kind, groups, more }) => ({
    kind,
    more,
    groups: groups.map((group) => ({
      ...group,
      twins: twinsOf(kind, group.level).map((twin) => levelName(twin.kind, twin.level, { nameOf, siteOf })),
    })),
  }));
  return {
    scope: view,
    sentence:
      milestone !== null && parts.keepers > 0 && unions.handedOver === 0
        ? `Nobody was asked about ${counted(parts.keepers, 'keeper')} ${view.whose} at “${MILESTONE_WORDS[milestone].name}” yet.`
        : takeSentence(unions, milestone, view.whose),
    milestone,
    milestones: MILESTONES.map((each) => ({ milestone: each, ...parts.milestones[each] })),
    unions,
    plants,
    varieties,
    kinds,
    marks: [...shown.values()].map(({ mark }) => mark),
    unheard: {
      counts: { alive: unions.alive, dead: unions.dead, unknown: unions.unknown },
      reminded: parts.reminded,
    },
    runs: runsOf(parts.runs, workshops),
  };
}

/** Of very many groups those with the most keepers, in the order they come in. */
function listedOf(levels: readonly CountedLevel[]): readonly CountedLevel[] {
  if (levels.length <= LISTED) return levels;
  const most = new Set([...levels].sort((a, b) => b.take.handedOver - a.take.handedOver).slice(0, LISTED));
  return levels.filter((level) => most.has(level));
}

/** What a level is called where its kind stands above it. */
export function levelName(
  kind: TakeKind,
  level: string,
  { nameOf, siteOf }: { nameOf: NameOfLevel; siteOf: ReadonlyMap<string, string> },
): string {
  switch (kind) {
    case 'lot':
      return nameOf({ kind: 'wood-lot', level }, 'plain');
    case 'day':
      return formatDate(level);
    case 'hand':
      return nameOf({ kind: 'grafter', level });
    case 'method':
      return methodById(level).name;
    case 'site':
      return siteOf.get(level) ?? 'a site';
    case 'variety':
      return level;
  }
}

/** Each method from workshop to workshop, the one most often made first. */
function runsOf(
  runs: TakeParts['runs'],
  workshops: readonly { id: string; title: string; date: string }[],
): TakeBoard['runs'] {
  return [...runs]
    .map(([method, takes]) => {
      const rows = workshops
        .filter(({ id }) => takes.has(id))
        .sort((a, b) => a.date.localeCompare(b.date) || a.id.localeCompare(b.id))
        .map(({ id, title, date }) => {
          const { alive, dead } = takes.get(id)!;
          return { workshopId: id, title, date, n: alive + dead, alive };
        });
      const points = rows.some(({ n }) => n > 0) ? runOfMethod(rows) : [];
      return { method: methodById(method).name, run: points.map((point, i) => ({ ...rows[i]!, point })) };
    })
    .filter(({ run }) => run.length > 0)
    .sort((a, b) => b.run.length - a.run.length || a.method.localeCompare(b.method, 'en'));
}
