import { remembered } from '@/server/club/remembered';
import type { ForetoldView, OutlookRow, ScoreBoard } from '@/core/findings/boards/board-views';
import type { ModelView, SlopeView } from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { calibration, type Calibration } from '@/core/findings/score/calibration';
import type { ScoreAndFate } from '@/core/findings/score/score-and-fate';
import { takeOfStates } from '@/core/findings/take/take-of-plants';
import { OUTLOOKS } from '@/core/score/rubric/outlook';
import { counted } from '@/core/units/counted';
import { slopeOf } from '@/server/findings/models/model-view';
import { reckoned } from '@/server/findings/models/reckoned';
import type { Context } from '@/server/platform/context';
import { scopeOf } from './scope';

/** What score, contact and forecasts foretold of keepers that were judged themselves. */
export async function scoreBoard(context: Context, input: unknown): Promise<ScoreBoard> {
  const { board } = await remembered(context, 'scores', input, (look) => makeScoreBoard(look, input), {
    keep: ({ running }) => !running,
  });
  return board;
}

async function makeScoreBoard(context: Context, input: unknown): Promise<{ board: ScoreBoard; running: boolean }> {
  const { facts, view: scope } = await scopeOf(context, input);
  const slope = await slopeOf(facts, reckoned);
  return {
    running: slope.state === 'reckoning',
    board: {
      scope,
      sentence: slopeWords(slope, `What scores foretell of ${counted(scope.keepers, 'keeper')} ${scope.whose}`),
      measures: [
        foretoldOf(facts, 'score', ({ score }) => score),
        foretoldOf(facts, 'contact', ({ contact }) => (contact === null ? null : contact * 100)),
      ],
      outlooks: outlooksOf(facts),
    },
  };
}

/** What may be said of the score, or what is missing for it. */
export function slopeWords(slope: ModelView<SlopeView>, meanwhile: string): string {
  switch (slope.state) {
    case 'done':
      return slope.view.sentence;
    case 'missing':
      return slope.sentence;
    case 'refused':
      return slope.words;
    case 'reckoning':
      return meanwhile;
  }
}

/** What a measure foretells, or what is missing for it to be told. */
export function foretoldOf(
  facts: readonly KeeperFact[],
  what: 'score' | 'contact',
  valueOf: (fact: KeeperFact) => number | null,
): ForetoldView {
  const judged = facts.filter((fact) => valueOf(fact) !== null);
  const known: ScoreAndFate[] = judged
    .filter(({ fate }) => fate !== 'unknown')
    .map((fact) => ({ score: valueOf(fact)!, alive: fact.fate === 'alive' }));
  const alive = known.filter((each) => each.alive).length;
  const dead = known.length - alive;
  const base = { what, judged: judged.length, known: known.length };
  const missing = answersMissing({ alive, dead }, MINIMUM.score);
  if (missing > 0)
    return {
      ...base,
      found: null,
      missing: { known: known.length, rarer: Math.min(alive, dead), missing },
      sentence: `What the ${what} foretells is not known yet: of ${counted(judged.length, 'judged keeper')} ${known.length} have a known fate (${alive} live, ${dead} died). About ${missing} more answers would do.`,
    };
  const found = fitted(known);
  if (typeof found === 'string') return { ...base, found: null, missing: null, sentence: found };
  return {
    ...base,
    found,
    missing: null,
    sentence: '',
  };
}

/** The fits, or in a sentence why there are none. */
function fitted(known: readonly ScoreAndFate[]): Calibration | string {
  try {
    return calibration(known);
  } catch (error) {
    if (error instanceof RangeError) return error.message;
    throw error;
  }
}

function outlooksOf(facts: readonly KeeperFact[]): OutlookRow[] {
  return (['assessor', 'maker'] as const).flatMap((by) =>
    OUTLOOKS.flatMap((said) => {
      const own = facts.filter(({ outlook, outlookBy }) => outlook === said && outlookBy === by);
      return own.length === 0 ? [] : [{ said, by, take: takeOfStates(own.map(({ fate }) => fate)) }];
    }),
  );
}
