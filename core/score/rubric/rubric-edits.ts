import { TOLERANCE } from '@/core/units/tolerance';
import { formatLength, type LengthUnit } from '../../units/length';
import type { Method } from '../../methods/method';
import type { Choices } from '../../methods/school';
import { defaultRule, type ScoringRule } from './judge-union';
import type { PointWords } from './worded-points';
import { THRESHOLD_WORDS, type ThresholdId, type Thresholds, USUAL_THRESHOLDS } from '../../methods/thresholds';

/** What a club scores otherwise than a method's own rubric; what is not named stands as it is. */
export interface RubricEdits {
  weights?: Record<string, number>;
  fatalCap?: number;
  /** Cap of a fatal fault of one point, where it is not the general one. */
  caps?: Record<string, number>;
  thresholds?: Partial<Thresholds>;
  words?: Record<string, PointWords>;
}

/**
 * The rule a method is scored by once a club's edits are applied; exactly the method's own where
 * nothing differs, so that untouched rubrics stay the same row.
 */
export function editedRule(method: Method, choices: Choices, edits: RubricEdits): ScoringRule {
  const usual = defaultRule(method, choices);
  const points = new Set(Object.keys(usual.weights));
  const known = <T>(record: Record<string, T> = {}, same: (id: string, value: T) => boolean): Record<string, T> =>
    Object.fromEntries(
      Object.entries(record)
        .filter(([id, value]) => points.has(id) && !same(id, value))
        .sort(([a], [b]) => a.localeCompare(b)),
    );
  const caps = known(edits.caps, () => false);
  const words = known(edits.words, (_, value) => Object.keys(value).length === 0);
  const thresholds = Object.fromEntries(
    method.thresholds.flatMap((id) => {
      const value = edits.thresholds?.[id];
      return value === undefined || value === USUAL_THRESHOLDS[id] ? [] : [[id, value]];
    }),
  );
  return {
    ...usual,
    weights: { ...usual.weights, ...known(edits.weights, () => false) },
    fatalCap: edits.fatalCap ?? usual.fatalCap,
    ...(Object.keys(caps).length > 0 ? { caps } : {}),
    ...(Object.keys(thresholds).length > 0 ? { thresholds } : {}),
    ...(Object.keys(words).length > 0 ? { words } : {}),
  };
}

/** What is wrong with edits, by field, in words that say what to do; empty when they can be saved. */
export function rubricProblems(
  method: Method,
  choices: Choices,
  edits: RubricEdits,
  unit: LengthUnit,
): Record<string, string> {
  const problems: Record<string, string> = {};
  const rule = editedRule(method, choices, edits);
  for (const [id, weight] of Object.entries(rule.weights)) {
    if (!Number.isFinite(weight) || weight < 0 || weight > 100) problems[`weights.${id}`] = 'A weight is 0 to 100.';
  }
  const sum = Object.values(rule.weights).reduce((a, b) => a + b, 0);
  if (Object.keys(problems).length === 0 && Math.abs(sum - 100) > TOLERANCE) {
    const off = Math.round((sum - 100) * 100) / 100;
    problems.weights = `The weights add up to ${Math.round(sum * 100) / 100}, not 100. ${off > 0 ? `Take ${off} away` : `Add ${-off}`} somewhere.`;
  }
  for (const [id, cap] of [
    ['fatalCap', rule.fatalCap] as const,
    ...Object.entries(rule.caps ?? {}).map(([id, cap]) => [`caps.${id}`, cap] as const),
  ]) {
    if (!Number.isFinite(cap) || cap < 0 || cap > 100) problems[id] = 'A cap is 0 to 100.';
  }
  for (const [id, value] of Object.entries(rule.thresholds ?? {}) as [ThresholdId, number][]) {
    const { least, most, name, unit: kind } = THRESHOLD_WORDS[id];
    if (!Number.isFinite(value) || value < least || value > most)
      problems[`thresholds.${id}`] =
        kind === 'share'
          ? `${name} is ${100 * least} to ${100 * most} %.`
          : `${name} is ${formatLength(least, unit)} to ${formatLength(most, unit)}.`;
  }
  const thresholds = { ...USUAL_THRESHOLDS, ...rule.thresholds };
  if (thresholds.windowFrom >= thresholds.windowTo)
    problems['thresholds.windowTo'] = 'The window’s most must be above its least.';
  return problems;
}
