import type { TakeBoard, TakeGroupView, UnheardView } from '@/core/findings/boards/board-views';
import { type KeeperFact, stateAt, statesAt } from '@/core/findings/facts/keeper-fact';
import { TAKE_KINDS, takeBy, type TakeKind } from '@/core/findings/facts/take-by';
import { takeSentence } from '@/core/findings/sentences/take-sentence';
import { takeOfPlants, takeOfStates } from '@/core/findings/take/take-of-plants';
import { runChart } from '@/core/findings/years/run-chart';
import { type Milestone, MILESTONE_WORDS, MILESTONES } from '@/core/methods/milestones';
import { methodById } from '@/core/methods/registry';
import { counted } from '@/core/units/counted';
import { groupedBy } from '@/core/units/grouped-by';
import { formatDate } from '@/core/units/iso-date';
import { levelNames, type NameOfLevel } from '@/server/findings/causes/level-names';
import type { Context } from '@/server/platform/context';
import { type Scope, scopeOf } from './scope';

/** More keepers than these are counted, not drawn one by one. */
const DRAWN_ONE_BY_ONE = 1200;

/** Take of a filter: in a sentence, by milestone, by what keepers share, with the unheard, and from workshop to workshop. */
export async function takeBoard(context: Context, input: unknown): Promise<TakeBoard> {
  return takeOfScope(context, await scopeOf(context, input));
}

/** The same of keepers that were read already. */
export async function takeOfScope(context: Context, { facts, view }: Scope): Promise<TakeBoard> {
  const [nameOf, workshops] = await Promise.all([
    levelNames(context),
    context.db.workshops.findAll({
      where: { clubId: context.actor.clubId },
      attributes: ['id', 'title', 'date'],
      raw: true,
    }),
  ]);
  const milestone = view.filter.milestone as Milestone | null;
  const whole = takeOfPlants(
    facts.flatMap((fact) => {
      const state = stateAt(fact, milestone);
      return state ? [{ plant: fact.plantId, variety: fact.variety, state }] : [];
    }),
  );
  const siteOf = new Map(view.choices.sites.map(({ id, name }) => [id, name]));
  return {
    scope: view,
    sentence:
      milestone !== null && facts.length > 0 && whole.unions.handedOver === 0
        ? `Nobody was asked about ${counted(facts.length, 'keeper')} ${view.whose} at “${MILESTONE_WORDS[milestone].name}” yet.`
        : takeSentence(whole.unions, milestone, view.whose),
    milestone,
    milestones: MILESTONES.map((each) => ({
      milestone: each,
      ...takeOfStates(statesAt(facts, each)),
    })),
    unions: whole.unions,
    plants: whole.plants,
    varieties: whole.varieties,
    kinds: TAKE_KINDS.map((kind) => ({
      kind,
      groups: groupViews(facts, kind, milestone, (level) => levelName(kind, level, { nameOf, siteOf })),
    })).filter(({ groups }) => groups.length > 0),
    unheard: unheardOf(facts, milestone),
    run: runOf(facts, milestone, workshops),
  };
}

function groupViews(
  facts: readonly KeeperFact[],
  kind: TakeKind,
  milestone: Milestone | null,
  nameOf: (level: string) => string,
): TakeGroupView[] {
  return takeBy(facts, kind, milestone).map(({ level, take, members }) => ({
    level,
    take,
    name: nameOf(level),
    marks:
      facts.length > DRAWN_ONE_BY_ONE
        ? null
        : members.flatMap((fact) => {
            const state = stateAt(fact, milestone);
            return state ? [{ unionId: fact.unionId, called: fact.called, href: fact.href, state }] : [];
          }),
  }));
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

function unheardOf(facts: readonly KeeperFact[], milestone: Milestone | null): UnheardView {
  const count = (list: readonly KeeperFact[], state: string): number =>
    statesAt(list, milestone).filter((each) => each === state).length;
  const late = facts.filter(({ reminded }) => reminded);
  return {
    counts: { alive: count(facts, 'alive'), dead: count(facts, 'dead'), unknown: count(facts, 'unknown') },
    reminded: { alive: count(late, 'alive'), dead: count(late, 'dead') },
  };
}

function runOf(
  facts: readonly KeeperFact[],
  milestone: Milestone | null,
  workshops: readonly { id: string; title: string; date: string }[],
): TakeBoard['run'] {
  const own = groupedBy(facts, ({ workshopId }) => workshopId);
  const rows = workshops
    .filter(({ id }) => own.has(id))
    .sort((a, b) => a.date.localeCompare(b.date))
    .map(({ id, title, date }) => {
      const states = statesAt(own.get(id)!, milestone);
      const alive = states.filter((state) => state === 'alive').length;
      return { workshopId: id, title, date, n: alive + states.filter((state) => state === 'dead').length, alive };
    });
  if (!rows.some(({ n }) => n > 0)) return [];
  const points = runChart(rows);
  return rows.map((row, i) => ({ ...row, point: points[i]! }));
}
