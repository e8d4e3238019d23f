'use client';

import type { OfHundred, ScoreSlope } from '@/core/findings/score/score-slope';
import type { SlopeView } from '@/core/findings/boards/model-views';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import { counted } from '@/core/units/counted';
import { percent } from '@/core/units/percent';
import { ModelWaiting } from '../models/model-waiting';
import { useModel } from '../models/use-model';

/** What the score means once days, hands, lots and methods are taken into account. */
export function ScoreMeaning({ filter, told }: { filter: FindingsFilter; told: string }) {
  const { view, failed, again } = useModel('slope', filter);
  // The page's own sentence has said what is missing.
  if (view?.state === 'missing') return null;
  if (view?.state !== 'done') return <ModelWaiting view={view} failed={failed} again={again} />;
  return <Meaning view={view.view} told={told} />;
}

function Meaning({ view, told }: { view: SlopeView; told: string }) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
      {view.sentence !== told && <p className="max-w-prose text-lg font-bold">{view.sentence}</p>}
      {view.fatal && (
        <section aria-labelledby="fatal-title">
          <h2 id="fatal-title">A fatal fault or none</h2>
          <div className="mt-2 flex flex-wrap gap-6">
            <Hundred
              live={Math.round(100 * view.fatal.with)}
              words="with a fatal fault"
              below={`from ${counted(view.fatal.keepers, 'keeper')}`}
            />
            <Hundred
              live={Math.round(100 * view.fatal.without)}
              words="without one"
              below={`from ${counted(view.keepers - view.fatal.keepers, 'keeper')}`}
            />
          </div>
          <p className="mt-1 max-w-prose text-sm text-muted">
            With a fatal fault between {percent(view.fatal.low)} and {percent(view.fatal.high)} would live (90 %
            interval).
          </p>
        </section>
      )}
      {view.bins.length > 0 && (
        <section aria-labelledby="bins-title">
          <h2 id="bins-title">Of 100 average keepers without a fatal fault, scored so, so many would live</h2>
          <div className="mt-2 flex flex-wrap gap-6">
            {view.bins.map((bin) => (
              <Hundred
                key={bin.from}
                live={bin.wouldLive}
                words={`scored ${bin.from} to ${bin.to}`}
                below={`from ${counted(bin.keepers, 'keeper')}`}
                pale={!view.claims}
              />
            ))}
          </div>
          <p className="mt-1 max-w-prose text-sm text-muted">
            {view.claims
              ? 'Days, hands, lots and methods are taken into account: this is what a score means for the same hand on the same day.'
              : 'Pale, since it may all be chance: no difference between these is shown yet.'}
          </p>
        </section>
      )}
      <Open view={view} />
      <Calculated view={view} />
    </div>
  );
}

/** A hundred keepers as boxes of ten by ten, the living ones filled. */
function Hundred({ live, words, below, pale }: { live: number; words: string; below: string; pale?: boolean }) {
  return (
    <figure className="w-33">
      <svg viewBox="0 0 100 100" width={132} height={132} role="img" aria-label={`${live} of 100 would live, ${words}`}>
        {Array.from({ length: 100 }, (_, i) => (
          <rect
            key={i}
            x={(i % 10) * 10 + 0.7}
            y={90 - Math.floor(i / 10) * 10 + 0.7}
            width={8.6}
            height={8.6}
            className={i < live ? 'fill-life stroke-ink' : 'fill-sheet stroke-ink'}
            strokeWidth={0.7}
            opacity={pale ? 0.45 : 1}
          />
        ))}
      </svg>
      <figcaption>
        <strong>
          {pale ? 'about ' : ''}
          {live}
        </strong>{' '}
        {words}
        <span className="block text-sm text-muted">{below}</span>
      </figcaption>
    </figure>
  );
}

/** Where so many scores are near the top, hardly anything can be foretold from them. */
const MOSTLY_ABOVE = 0.6;

/** What is not known, why, and what would settle it. */
function Open({ view }: { view: ScoreSlope }) {
  const { spread, claims, more, keepers, workshops } = view;
  const lines = [
    ...(spread.above95 > MOSTLY_ABOVE
      ? [
          `${percent(spread.above95)} of the keepers scored above 95: where nearly all are alike, a score can say little.`,
        ]
      : [`Half of the keepers scored ${Math.round(spread.low)} to ${Math.round(spread.high)}.`]),
    ...(more !== null
      ? [
          `If the effect is as large as it looks, about ${counted(more, 'judged keeper')} more would settle it; half the width of the interval takes four times as many, ${4 * keepers} in all, over more days.`,
        ]
      : []),
    ...(claims
      ? []
      : [
          'Two things would tell sooner: score keepers without knowing whose they are or of which wood, and keep a tenth of those that failed, so that low scores are among them.',
        ]),
    `So far ${counted(keepers, 'judged keeper')} of ${counted(workshops, 'workshop')} have a known fate.`,
  ];
  return (
    <section aria-labelledby="open-title">
      <h2 id="open-title">What is not known yet</h2>
      <ul className="mt-1 grid max-w-prose list-disc gap-1 pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}

function Calculated({ view }: { view: ScoreSlope }) {
  const odds = (value: number): string => `× ${Math.exp(value).toFixed(2)}`;
  return (
    <details className="max-w-prose text-sm text-muted">
      <summary className="flex min-h-11 cursor-pointer items-center font-bold">How this is calculated</summary>
      <p>
        A logistic model with the method, a fatal fault, the score in tens, and the mean score of the day and of the
        hand; lots, stocks, days and hands have effects of their own with a weak prior on their spread. Ten points more
        change the odds of living by {odds(view.slope)} for the same hand on the same day (90 % interval{' '}
        {odds(view.low)} to {odds(view.high)}). A higher score is said to live oftener only where this interval lies
        above × 1 altogether.{' '}
        {view.straight
          ? 'A straight line over the score fits as well as a take of its own for each row of boxes.'
          : 'A straight line over the score is not enough: each row of boxes has a take of its own.'}
      </p>
      <Uncorrected bins={view.bins} />
    </details>
  );
}

function Uncorrected({ bins }: { bins: readonly OfHundred[] }) {
  if (bins.length === 0) return null;
  return (
    <p className="mt-1">
      As plainly counted, not adjusted for anything:{' '}
      {bins.map(({ from, to, alive, keepers }) => `${from} to ${to}: ${alive} of ${keepers} live`).join('; ')}.
    </p>
  );
}
