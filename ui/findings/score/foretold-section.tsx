import type { ForetoldView } from '@/core/findings/boards/board-views';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import { Z95 } from '@/core/statistics/normal-points';
import { capital } from '@/core/units/capital';
import { ForetoldChart } from './foretold-chart';

/** What a measure foretells, how well, and how that was reckoned. */
export function ForetoldSection({ view, filter, told }: { view: ForetoldView; filter: FindingsFilter; told: string }) {
  const { what, found, known, judged, sentence } = view;
  // The page's own sentence has said it all.
  if (!found && sentence === told) return null;
  return (
    <section aria-labelledby={`${what}-title`}>
      <h2 id={`${what}-title`}>{capital(what)}</h2>
      {sentence !== '' && sentence !== told && <p className="mb-2 max-w-prose font-bold">{sentence}</p>}
      {found && (
        <>
          <ForetoldChart view={{ ...view, found }} filter={filter} />
          <p className="mt-2 max-w-prose">
            Of a keeper that lived and one that died, the one that lived had the higher {what} in{' '}
            <strong>{(100 * found.c).toFixed(0)} of 100</strong> pairs
            {found.standardError === null ? '' : ` (${cRange(found.c, found.standardError)}; 50 would be chance)`}.
            Foretelling by it misses by {found.brier.toFixed(3)}, by the take of all by {found.brierBase.toFixed(3)}{' '}
            (Brier score; 0 would be perfect).
          </p>
          <p className="mt-1 max-w-prose text-sm text-muted">
            Reckoned from {known} keepers that were judged themselves and of which one knows whether they live, of{' '}
            {judged} judged. Logistic fit on ten points: {signed(found.logistic.intercept)} (±
            {found.logistic.interceptError.toFixed(2)}) at 80, {signed(found.logistic.per10)} (±
            {found.logistic.per10Error.toFixed(2)}) for each ten. C statistic with DeLong’s error. Murphy’s parts over
            the bins: reliability {found.reliability.toFixed(4)}, resolution {found.resolution.toFixed(4)}, uncertainty{' '}
            {found.uncertainty.toFixed(4)}.
          </p>
        </>
      )}
    </section>
  );
}

function cRange(c: number, error: number): string {
  const at = (value: number): string => (100 * Math.min(1, Math.max(0, value))).toFixed(0);
  return `${at(c - Z95 * error)} to ${at(c + Z95 * error)}`;
}

const signed = (value: number): string => `${value >= 0 ? '+' : '−'}${Math.abs(value).toFixed(2)}`;
