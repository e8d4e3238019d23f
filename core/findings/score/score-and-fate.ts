/** A keeper that was judged itself and of which one knows what became of it. */
export interface ScoreAndFate {
  /** 0 to 100. */
  score: number;
  alive: boolean;
}

/**
 * Refuses what no fate can be foretold from.
 *
 * @throws RangeError for a score outside 0 to 100, or when all lived or all died
 */
export function checkScoresAndFates(known: readonly ScoreAndFate[]): void {
  const wrong = known.findIndex(({ score }) => !(score >= 0 && score <= 100));
  if (wrong >= 0) throw new RangeError(`Scores lie between 0 and 100, not ${known[wrong]!.score} (row ${wrong + 1}).`);
  const alive = known.filter((union) => union.alive).length;
  if (known.length === 0) throw new RangeError('There is no union with a score and a known fate.');
  if (alive === 0 || alive === known.length)
    throw new RangeError(
      `All ${known.length} ${alive === 0 ? 'died' : 'lived'}: what the score foretells needs some that lived and some that died.`,
    );
}
