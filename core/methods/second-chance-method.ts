import type { Method } from './method';

/**
 * The method by which a stock is budded again in late summer: one that sets a bud of the season into bark that need not
 * slip. Null where no method known does.
 *
 * @example secondChanceMethod(METHODS)?.name // 'Chip bud'
 */
export function secondChanceMethod(methods: readonly Method[]): Method | null {
  return (
    methods.find(
      ({ use }) =>
        use.takes.piece === 'bud' &&
        use.bark === 'need not slip' &&
        use.seasons.some(({ phase }) => phase === 'before-frost'),
    ) ?? null
  );
}
