import { addDays, formatDate, type IsoDate } from '../../../units/iso-date';
import { bindingOf, BINDINGS } from '../../../aftercare/plan/actual-binding';
import type { TieId } from '../../../aftercare/ties/ties';
import type { PlannedTask } from '../../../aftercare/plan/union-plan';
import type { FactsOfUnion, Gathered } from './facts-of-union';

/** Tasks that first come later than this say nothing of how a young union was cared for, days. */
const FIRST_YEAR = 360;
/** Ties that strangle what they hold. */
const ROUND_THE_UNION: readonly TieId[] = ['union', 'foil'];

/** Tasks by what they say when they were done and when they were left undone. */
const SAYS: readonly [tasks: readonly string[], done: string | null, undone: string | null][] = [
  [['reseal'], 'reseal-done', 'reseal-missed'],
  [['suckers', 'none-below'], 'shoots-off', 'shoots-left'],
  [['low-branches'], null, 'branches-taller'],
  [['head-back', 'head-1', 'patch-top'], null, 'top-left-on'],
  [['guard', 'tie-up', 'brace'], 'support', 'no-support'],
];
const COVERS = ['bag-open', 'cover-off'];

/** What was done and left undone for it while it lived. What nobody of the club marks on any plant of the day says nothing. */
export function careEvidence(facts: FactsOfUnion): Gathered[] {
  const { materials, closed } = facts;
  const found: Gathered[] = [];
  for (const [tasks, done, undone] of SAYS) {
    const marked = closed.find(({ task, how }) => tasks.includes(task) && how === 'done');
    if (marked && done) found.push({ code: done, from: `Marked, ${formatDate(marked.on)}` });
    if (marked || !undone) continue;
    if (undone === 'no-support' && materials.includes('brace')) continue;
    const left = leftUndone(facts, tasks);
    if (left) found.push({ code: undone, from: left });
  }
  if (materials.includes('brace') && !found.some(({ code }) => code === 'support'))
    found.push({ code: 'support', from: 'What it was made with' });
  return [...found, ...coverEvidence(facts), ...tieEvidence(facts)];
}

/** Why a task counts as left undone: somebody said so, or its days passed while it was marked on others. */
function leftUndone(facts: FactsOfUnion, tasks: readonly string[]): string | null {
  const { closed, madeOn } = facts;
  const skipped = closed.find(({ task, how }) => tasks.includes(task) && how === 'skipped');
  if (skipped) return `Left undone, ${formatDate(skipped.on)}`;
  const passed = facts.tasks.find(
    (task) => tasks.includes(task.id) && passedBefore(task, facts.deadOn) && facts.kept.has(task.id),
  );
  if (!passed?.due || passed.due.from > addDays(madeOn, FIRST_YEAR)) return null;
  if (closed.some(({ task }) => task === passed.id)) return null;
  return `Not marked by ${formatDate(passed.due.to)}, and marked on others`;
}

const passedBefore = ({ due }: PlannedTask, day: IsoDate): boolean => due !== null && due.to < day;

function coverEvidence({ tasks, closed, deadOn, kept }: FactsOfUnion): Gathered[] {
  const cover = tasks.find(({ id }) => COVERS.includes(id));
  if (!cover) return [];
  const opened = closed.find(({ task, how }) => COVERS.includes(task) && how === 'done');
  if (opened && cover.due && opened.on < cover.due.from)
    return [{ code: 'cover-opened-early', from: `Marked, ${formatDate(opened.on)}` }];
  const last = cover.latest ?? cover.due?.to ?? null;
  if (last === null || last >= deadOn) return [];
  if (opened ? opened.on > last : kept.has(cover.id))
    return [{ code: 'cover-left-shut', from: `Its last day was ${formatDate(last)}` }];
  return [];
}

/**
 * Why a tie round the union counts as left on past its last day; null where none does.
 *
 * @param deadOn the day it was seen dead; of one that lives, today
 */
export function tieLeftOn({ ties, deadOn, kept }: Pick<FactsOfUnion, 'ties' | 'deadOn' | 'kept'>): string | null {
  for (const { id, state, since, latest, offTask } of ties) {
    if (!ROUND_THE_UNION.includes(id) || latest === null || latest >= deadOn) continue;
    const off = state === 'off' ? since : null;
    if (off !== null && off <= latest) continue;
    // Nobody said it is off: that tells something only where somebody takes ties off and says so.
    if (off === null && !kept.has(offTask)) continue;
    return `Its last day was ${formatDate(latest)}${off === null ? '' : `, off on ${formatDate(off)}`}`;
  }
  return null;
}

function tieEvidence(facts: FactsOfUnion): Gathered[] {
  const { ties, materials, closed } = facts;
  const left = tieLeftOn(facts);
  if (left) return [{ code: 'tie-overdue', from: left }];
  const binding = bindingOf(materials);
  if (binding !== null && BINDINGS[binding].off({}) === null) return [{ code: 'tie-off', from: 'It rots by itself' }];
  const union = ties.find(({ id }) => id === 'union');
  if (union?.state === 'off' && closed.some(({ task }) => task === union.offTask))
    return [{ code: 'tie-off', from: `Off on ${formatDate(union.since)}` }];
  return [];
}
