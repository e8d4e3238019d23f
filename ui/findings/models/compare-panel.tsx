'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { ComparedLevel, CompareView } from '@/core/findings/boards/model-views';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import { capital } from '@/core/units/capital';
import { percent, percentRange } from '@/core/units/percent';
import { ChartWithTable } from '../charts/chart-with-table';
import { intervalRows, ROW_HEIGHT } from '../charts/interval-rows';
import type { ChartFont } from '@/ui/kit/chart/chart';
import { ModelWaiting } from './model-waiting';
import { useModel } from './use-model';

/** More levels than these are in the table alone. */
const DRAWN = 40;

/** Lots, stocks, days and hands weighed at once: what the model adds to the counts. */
export function ComparePanel({ filter, told }: { filter: FindingsFilter; told: string }) {
  const { view, failed, again } = useModel('compare', filter);
  if (view?.state !== 'done') return <ModelWaiting view={view} failed={failed} again={again} />;
  return <Compared view={view.view} told={told} />;
}

function Compared({ view, told }: { view: CompareView; told: string }) {
  const [chosen, setChosen] = useState(view.groups[0]?.group ?? '');
  const shown = view.groups.find(({ group }) => group === chosen);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      {view.sentence !== told && <p className="max-w-prose text-lg font-bold">{view.sentence}</p>}
      <div className="flex flex-wrap gap-2" role="group" aria-label="Compared">
        {view.groups.map(({ group, words, levels }) => (
          <button
            key={group}
            type="button"
            className="bench-button"
            aria-pressed={group === chosen}
            data-weight={group === chosen ? 'main' : undefined}
            onClick={() => setChosen(group)}
          >
            {capital(words)} <span className="text-sm font-normal">{levels.length}</span>
          </button>
        ))}
      </div>
      {shown && <Levels key={shown.group} words={shown.words} levels={shown.levels} />}
      <HowReckoned view={view} />
    </div>
  );
}

function Levels({ words, levels }: { words: string; levels: readonly ComparedLevel[] }) {
  const router = useRouter();
  const drawn = levels.slice(0, DRAWN);
  const option = useCallback(
    (font: ChartFont) =>
      intervalRows(
        {
          min: 0,
          max: 100,
          unit: ' %',
          rows: levels.slice(0, DRAWN).map(({ short: name, take, low, high, alive, known, few }) => ({
            name,
            value: 100 * take,
            low: 100 * low,
            high: 100 * high,
            beside: (100 * alive) / known,
            faint: few,
          })),
        },
        font,
      ),
    [levels],
  );
  const choose = useCallback((at: number) => router.push(levels[at]!.href), [router, levels]);
  return (
    <>
      <ChartWithTable
        label={`Take of an otherwise average union, ${words}`}
        option={option}
        height={drawn.length * ROW_HEIGHT + 50}
        onChoose={choose}
        head={[capital(words), 'Take, all else average', '90 % interval', 'As counted', 'Known', 'Told apart from']}
        rows={levels.map(({ name, href, take, low, high, alive, known, few, differs, twins, stands, apartFrom }) => ({
          key: name + href,
          cells: [
            <LevelName key="name" name={name} href={href} twins={twins} stands={stands} differs={differs} />,
            percent(take),
            percentRange({ low, high }),
            `${alive} of ${known}, ${percent(alive / known)}`,
            few ? `${known}: too few, drawn far to the middle` : known,
            apartFrom.length === 0
              ? 'none'
              : apartFrom.length > 4
                ? `${apartFrom.length} others`
                : apartFrom.join('; '),
          ],
        }))}
      />
      <p className="max-w-prose text-sm text-muted">
        Dot and line: take of an otherwise average union with its 90 % interval; square: as plainly counted. Where the
        dot lies between square and middle, little was known and the model pulled it in. Pale ones have fewer than five
        known fates.
      </p>
    </>
  );
}

interface LevelNameProps {
  name: string;
  href: string;
  twins: readonly string[];
  stands: string | null;
  differs: boolean;
}

/** A level with what cannot be told from it. */
function LevelName({ name, href, twins, stands, differs }: LevelNameProps) {
  return (
    <>
      <Link href={href}>{name}</Link>
      {differs && <strong className="block text-sm">differs beyond chance</strong>}
      {twins.length > 0 && <span className="block text-sm text-muted">the same grafts as {twins.join('; ')}</span>}
      {stands !== null && <span className="block text-sm text-muted">most stand {stands}</span>}
    </>
  );
}

function HowReckoned({ view }: { view: CompareView }) {
  return (
    <details className="max-w-prose text-sm text-muted">
      <summary className="flex min-h-11 cursor-pointer items-center font-bold">How this is calculated</summary>
      <p>
        From {view.unions} keepers whose fate is known. A mixed logistic model: the method for all, and for each lot,
        stock, workshop and hand a deviation of its own, drawn towards none the less is known of it (Laplace
        approximation). The spread of each kind has a weak prior, and intervals hold how uncertain these spreads are.
        All intervals are 90 %. A level is said to differ only where its own interval leaves the others out, with all of
        its kind looked at (Holm). The score has a page of its own.
      </p>
      <ul className="mt-1 list-disc pl-5">
        {view.fixed.map(({ name, estimate, standardError }) => (
          <li key={name}>
            {name}: {estimate.toFixed(2)} (±{standardError.toFixed(2)}) on the log odds
          </li>
        ))}
        {view.groups.map(({ group, words, spread }) => (
          <li key={group}>
            {words} differ by {spread.toFixed(2)} (standard deviation on the log odds)
          </li>
        ))}
        {view.notes.map((note) => (
          <li key={note}>{capital(note)}</li>
        ))}
      </ul>
    </details>
  );
}
