/** Which keepers are judged where there is no time for all of them. */
export const SAMPLES = ['all', 'second', 'hand'] as const;
export type Sample = (typeof SAMPLES)[number];

export const SAMPLE_WORDS: Record<Sample, string> = {
  all: 'all keepers',
  second: 'every second keeper',
  hand: 'one of each hand',
};

interface Sampled {
  /** Random in its last digits, so that nobody picks who is looked at. */
  unionId: string;
  /** Whose hand it is of. */
  seatId: string;
  number: number;
}

/**
 * The keepers that a sample takes, by id: the same for everybody who asks. What it leaves out stays unjudged, which says
 * nothing of it.
 *
 * @example keeperSample(keepers, 'hand').size // as many as there are hands
 */
export function keeperSample(keepers: readonly Sampled[], sample: Sample): Set<string> {
  if (sample === 'all') return new Set(keepers.map(({ unionId }) => unionId));
  if (sample === 'second') {
    const inOrder = [...keepers].sort((a, b) => a.number - b.number || a.unionId.localeCompare(b.unionId));
    return new Set(inOrder.filter((_, i) => i % 2 === 0).map(({ unionId }) => unionId));
  }
  const drawn = new Map<string, Sampled>();
  for (const keeper of keepers) {
    const other = drawn.get(keeper.seatId);
    if (!other || lot(keeper) < lot(other)) drawn.set(keeper.seatId, keeper);
  }
  return new Set([...drawn.values()].map(({ unionId }) => unionId));
}

function lot({ unionId }: Sampled): string {
  return unionId.slice(-8);
}
