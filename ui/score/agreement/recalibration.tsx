'use client';

import Link from 'next/link';
import { Suspense, use, useState, type Dispatch, type SetStateAction } from 'react';
import { loadMethod } from '@/core/methods/load-method';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import type { ScoringRule } from '@/core/score/rubric/judge-union';
import type { LengthUnit } from '@/core/units/length';
import { useAlive } from '@/ui/kit/form/use-alive';
import { type SetUnion, OneUnion } from './recalibrated-union';

interface RecalibrationProps {
  workshopId: string;
  method: string;
  seed: number;
  latest: number;
  rule: ScoringRule;
  unions: SetUnion[];
  assessors: {
    name: string;
    answered: number;
    asked: number;
    otherwise: number;
    meanDifference: number | null;
    points: Record<string, number>;
  }[];
  unit: LengthUnit;
}

/** Drawn unions to score against the rubric, one after the other. */
export function Recalibration(props: RecalibrationProps) {
  const alive = useAlive();
  const fallback = <p className="board">Laying out the set…</p>;
  return <Suspense fallback={fallback}>{alive ? <WithMethod {...props} /> : fallback}</Suspense>;
}

function WithMethod({ workshopId, method: methodId, seed, latest, rule, unions, assessors, unit }: RecalibrationProps) {
  const method = use(loadMethod(methodId));
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      unions.findIndex(({ answered }) => !answered),
    ),
  );
  const union = unions[at]!;
  const points = wordedPoints(method, rule);
  const nameOf = (point: string): string => points.find(({ id }) => id === point)?.name ?? point;
  return (
    <div className="flex flex-col gap-4">
      <SetList unions={unions} at={at} setAt={setAt} />
      <OneUnion
        key={`${seed} ${union.nth} ${union.answered !== null}`}
        workshopId={workshopId}
        method={method}
        seed={seed}
        rule={rule}
        union={union}
        unit={unit}
        nameOf={nameOf}
        onNext={at + 1 < unions.length ? () => setAt(at + 1) : null}
      />
      {assessors.length > 0 && <Everybody assessors={assessors} unions={unions} nameOf={nameOf} />}
      <p className="text-sm">
        <Link
          href={`/workshops/${workshopId}/score/agreement/recalibration?set=${latest + 1}`}
          className="bench-button"
        >
          A new set
        </Link>
      </p>
    </div>
  );
}

interface EverybodyProps {
  assessors: RecalibrationProps['assessors'];
  unions: RecalibrationProps['unions'];
  nameOf: (point: string) => string;
}

/** How everybody did on this set. */
function Everybody({ assessors, unions, nameOf }: EverybodyProps) {
  return (
    <section aria-labelledby="all-title">
      <h2 id="all-title" className="mb-1">
        Everybody on this set
      </h2>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Everybody, scrolls sideways on narrow screens"
      >
        <table className="bench-table max-w-3xl">
          <thead>
            <tr>
              <th>Assessor</th>
              <th className="text-right">Unions</th>
              <th className="text-right">Grades otherwise</th>
              <th className="text-right">Score against the rubric</th>
              <th>Most often on</th>
            </tr>
          </thead>
          <tbody>
            {assessors.map((assessor) => (
              <tr key={assessor.name}>
                <td>{assessor.name}</td>
                <td className="text-right">
                  {assessor.answered} of {unions.length}
                </td>
                <td className="text-right">
                  {assessor.otherwise} of {assessor.asked}
                </td>
                <td className="text-right">
                  {assessor.meanDifference === null
                    ? '–'
                    : `${assessor.meanDifference > 0 ? '+' : ''}${assessor.meanDifference.toFixed(1)}`}
                </td>
                <td>
                  {Object.entries(assessor.points)
                    .sort((a, b) => b[1] - a[1])
                    .slice(0, 3)
                    .map(([point, count]) => `${nameOf(point)} (${count})`)
                    .join(', ') || 'nothing'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

interface SetListProps {
  unions: RecalibrationProps['unions'];
  at: number;
  setAt: Dispatch<SetStateAction<number>>;
}

/** The unions of the set. */
function SetList({ unions, at, setAt }: SetListProps) {
  return (
    <nav aria-label="Unions of the set">
      <ol className="flex flex-wrap gap-1">
        {unions.map(({ nth, answered }) => (
          <li key={nth}>
            <button
              type="button"
              className="bench-button px-3"
              data-weight={nth === at ? 'main' : undefined}
              aria-current={nth === at ? 'step' : undefined}
              onClick={() => setAt(nth)}
            >
              {nth + 1}
              <span className="text-sm font-normal">
                {answered
                  ? answered.differences.length === 0
                    ? 'alike'
                    : `${answered.differences.length} otherwise`
                  : ''}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </nav>
  );
}
