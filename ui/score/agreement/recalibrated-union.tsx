'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { figuresOf } from '@/core/methods/field';
import type { Method } from '@/core/methods/method';
import type { Measures } from '@/core/methods/measures';
import { judgeUnion, type Marks, type ScoringRule, type UnionJudgement } from '@/core/score/rubric/judge-union';
import type { PointGrade } from '@/core/contact/grade';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { nextMark } from '../bench/entry';
import { UnionStage } from '../bench/union-stage';

export interface SetUnion {
  nth: number;
  measures: Measures;
  seen: { point: string; words: string }[];
  answered: {
    marks: Marks;
    score: number | null;
    truthScore: number | null;
    differences: { point: string; truth: PointGrade; marked: PointGrade }[];
  } | null;
}

interface OneUnionProps {
  workshopId: string;
  method: Method;
  seed: number;
  rule: ScoringRule;
  union: SetUnion;
  unit: LengthUnit;
  nameOf: (point: string) => string;
  onNext: (() => void) | null;
}

export function OneUnion({ workshopId, method, seed, rule, union, unit, nameOf, onNext }: OneUnionProps) {
  const { run, busy, problem } = useSend();
  const [marks, setMarks] = useState<Marks>(union.answered?.marks ?? {});
  const [answerId] = useState(() => uuid());
  const judged = judgeUnion(method, rule, union.measures, {}, 'joined');
  const figures = figuresOf(method.fields, union.measures);
  const { answered } = union;
  const keep = (): Promise<unknown> =>
    run('PUT', `/api/recalibrations/${answerId}`, { workshopId, method: method.id, seed, nth: union.nth, marks });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <UnionStage
        assessment={judged.assessment}
        unit={unit}
        ghost={null}
        assumed={false}
        level={0}
        silent
        points={judged.grades.map(({ point }) => ({
          point,
          grade: marks[point.id] ?? 'good',
          marked: marks[point.id] !== undefined,
        }))}
        onMark={(point) => {
          if (!answered) setMarks(nextMark(point, marks, 'good'));
        }}
      />
      <div className="flex flex-col gap-3">
        <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm tabular-nums">
          {method.fields
            .filter(({ place }) => place !== 'further')
            .map((field) => {
              const measure = union.measures[field.id];
              const pick =
                measure && 'pick' in measure ? field.picks?.find(({ id }) => id === measure.pick)?.words : undefined;
              return (
                <div key={field.id} className="contents">
                  <dt>{field.short}</dt>
                  <dd className="text-right font-bold">
                    {pick !== undefined
                      ? written(pick, unit)
                      : field.unit === 'degrees'
                        ? `${figures[field.id]}°`
                        : formatLength(figures[field.id]!, unit)}
                  </dd>
                </div>
              );
            })}
        </dl>
        <section aria-labelledby="seen-title">
          <h2 id="seen-title">What was seen</h2>
          <ul className="text-sm">
            {union.seen.map(({ point, words }) => (
              <li key={point}>
                <strong>{nameOf(point)}:</strong> {words}
              </li>
            ))}
          </ul>
        </section>
        <Problem>{problem?.message}</Problem>
        {!answered ? (
          <button type="button" className="bench-button" data-weight="main" disabled={busy} onClick={() => void keep()}>
            Keep my grades
          </button>
        ) : (
          <Result answered={answered} nameOf={nameOf} judged={judged} onNext={onNext} />
        )}
      </div>
    </div>
  );
}

interface ResultProps {
  answered: NonNullable<SetUnion['answered']>;
  nameOf: OneUnionProps['nameOf'];
  judged: UnionJudgement;
  onNext: OneUnionProps['onNext'];
}

/** How the grades differ from the rubric's. */
function Result({ answered, nameOf, judged, onNext }: ResultProps) {
  return (
    <section className="board" aria-labelledby="result-title">
      <h2 id="result-title">
        {answered.differences.length === 0
          ? 'As the rubric has it'
          : `${answered.differences.length} ${answered.differences.length === 1 ? 'point' : 'points'} otherwise than the rubric`}
      </h2>
      <p className="text-sm">
        Your score {answered.score === null ? '–' : Math.round(answered.score)}, the rubric&apos;s{' '}
        {answered.truthScore === null ? '–' : Math.round(answered.truthScore)}.
      </p>
      <ul className="mt-1 text-sm">
        {answered.differences.map(({ point, truth, marked }) => (
          <li key={point} className="border-l-4 border-ink pl-2">
            <strong>{nameOf(point)}:</strong> you {marked}, the rubric {truth}
            {truth === 'good' || truth === 'not-looked-at'
              ? ''
              : ` (${judged.grades.find((grade) => grade.point.id === point)?.point.faults.find(({ grade }) => grade === truth)?.words ?? ''})`}
          </li>
        ))}
      </ul>
      {onNext && (
        <button type="button" className="bench-button mt-2" onClick={onNext}>
          Next union
        </button>
      )}
    </section>
  );
}
