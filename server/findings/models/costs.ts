import type { CostsView, ModelView, PointEffectView, TaughtCost } from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import type { JudgedKeeper } from '@/core/findings/facts/keeper-fact';
import type { JudgedPoints } from '@/core/findings/points/judged-points';
import type { adjustedTerms } from '@/core/findings/mixed/adjusted-model';
import { pointTerm } from '@/core/findings/mixed/adjusted-design';
import type { PointCost } from '@/core/findings/points/adjusted-costs';
import { canBeTold } from '@/core/findings/points/points-model';
import { costsSentence } from '@/core/findings/sentences/costs-sentence';
import { methodById } from '@/core/methods/registry';
import { pointsOf, shownTechnique, woodOf } from '@/core/methods/shown-technique';
import { Z90 } from '@/core/statistics/normal-points';
import { stepSheets } from '@/core/teach/step-sheets';
import { groupedBy } from '@/core/units/grouped-by';
import { written } from '@/core/units/prose';
import type { LengthUnit } from '@/core/units/length';
import type { Reckoned } from './reckoned';

/** The dearest that are shown with step, drawing and drill. */
const TAUGHT = 5;

export function missingForCosts({ known }: JudgedPoints): ModelView<never> | null {
  const alive = known.filter((union) => union.alive).length;
  const dead = known.length - alive;
  const missing = answersMissing({ alive, dead }, MINIMUM.points);
  if (missing === 0) return null;
  return {
    state: 'missing',
    missing: { known: known.length, rarer: Math.min(alive, dead), missing },
    sentence: `What faults cost is not known yet: of keepers judged point by point ${known.length} have a known fate (${alive} live, ${dead} died). About ${missing} more answers would do.`,
  };
}

/** What faults cost, in names, with where each is taught and what those that had it died of. */
export function costsView(
  found: Reckoned<{ terms: ReturnType<typeof adjustedTerms>; costs: PointCost[] }>,
  { known, leftOut }: JudgedPoints,
  {
    judged,
    causeOf,
    unit,
  }: { judged: readonly JudgedKeeper[]; causeOf: ReadonlyMap<string, string>; unit: LengthUnit },
): ModelView<CostsView> {
  if (found.state !== 'done') return found;
  const { terms, costs } = found.result;
  const nameOf = pointNames(judged);
  return {
    state: 'done',
    id: found.id,
    view: {
      sentence: costsSentence(costs, nameOf),
      known: known.length,
      leftOut,
      costs: costs.map((cost, at): TaughtCost => ({
        ...cost,
        name: nameOf(cost.point),
        dear: cost.named,
        taught: at < TAUGHT ? taughtAt(cost.point, judged, unit) : null,
        causes: at < TAUGHT ? causesOf(cost.point, judged, causeOf) : [],
      })),
      effects: effectsOf(terms, known, nameOf),
    },
  };
}

function effectsOf(
  { fixed }: ReturnType<typeof adjustedTerms>,
  known: JudgedPoints['known'],
  nameOf: (point: string) => string,
): PointEffectView[] {
  return Object.keys(known[0]?.grades ?? {}).flatMap((point) =>
    (['poor', 'fatal'] as const).flatMap((grade): PointEffectView[] => {
      const effect = fixed.find(({ name }) => name === pointTerm(point, grade));
      if (!effect) return [];
      const { estimate, standardError } = effect;
      return [
        {
          name: nameOf(point),
          grade,
          count: known.filter(({ grades }) => grades[point] === grade).length,
          odds: Math.exp(estimate),
          low: Math.exp(estimate - Z90 * standardError),
          high: Math.exp(estimate + Z90 * standardError),
          told: canBeTold(effect),
        },
      ];
    }),
  );
}

/** What points are called, by the methods they were judged in. */
function pointNames(judged: readonly JudgedKeeper[]): (point: string) => string {
  const names = new Map<string, string>();
  for (const method of new Set(judged.map((keeper) => keeper.method)))
    for (const { id, name } of pointsOf(methodById(method), {})) if (!names.has(id)) names.set(id, name.toLowerCase());
  return (point) => names.get(point) ?? point.replaceAll('-', ' ');
}

const faulty = ({ grades }: JudgedKeeper, point: string): boolean =>
  grades[point] !== undefined && grades[point] !== 'good' && grades[point] !== 'not-looked-at';

/** The step at which a point is lost, of the method in which it was lost most often. */
function taughtAt(point: string, judged: readonly JudgedKeeper[], unit: LengthUnit): TaughtCost['taught'] {
  const byMethod = [
    ...groupedBy(
      judged.filter((keeper) => faulty(keeper, point)),
      ({ method }) => method,
    ),
  ].sort((a, b) => b[1].length - a[1].length);
  for (const [id] of byMethod) {
    const method = methodById(id);
    const at = shownTechnique(method, {}).steps.findIndex(({ wrong }) => wrong.point === point);
    const judgedPoint = pointsOf(method, {}).find((each) => each.id === point);
    if (at < 0 || !judgedPoint) continue;
    const sheet = stepSheets(method, {}, woodOf(method.shownWith), unit)[at]!;
    return {
      method: method.name,
      step: sheet.action,
      href: `/methods/${id}`,
      drill: written(judgedPoint.correction, unit),
      right: sheet.drawing,
      wrong: sheet.wrongDrawing,
    };
  }
  return null;
}

function causesOf(
  point: string,
  judged: readonly JudgedKeeper[],
  causeOf: ReadonlyMap<string, string>,
): { words: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const keeper of judged) {
    const words = causeOf.get(keeper.unionId);
    if (words && faulty(keeper, point)) counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  return [...counts]
    .map(([words, count]) => ({ words, count }))
    .sort((a, b) => b.count - a.count)
    .slice(0, 3);
}
