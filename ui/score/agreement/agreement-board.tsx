'use client';

import Link from 'next/link';
import { useState } from 'react';
import type { Agreement, PairAgreement } from '@/core/score/agreement/agreement';
import { ENOUGH_UNIONS, type Recalibration } from '@/core/score/agreement/what-to-recalibrate';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { DifferenceChart, type UnionDifference } from './difference-chart';

interface AgreementBoardProps {
  workshopId: string;
  agreement: Agreement;
  advice: Recalibration[];
  points: { id: string; name: string }[];
  nameOf: Record<string, string>;
  differences: { first: string; second: string; points: UnionDifference[] }[];
  /** Unions whose second assessor is still to come. */
  waiting: number;
  blindRate: number;
  mayClose: boolean;
}

/** How far assessors agree on unions scored twice: what to look at together first, the figures after. */
export function AgreementBoard({
  workshopId,
  agreement,
  advice,
  points,
  nameOf,
  differences,
  waiting,
  blindRate,
  mayClose,
}: AgreementBoardProps) {
  const { run, busy, problem } = useSend();
  const [sure, setSure] = useState(false);
  const close = async (): Promise<void> => {
    if (!sure) return setSure(true);
    const sent = await run('DELETE', `/api/workshops/${workshopId}/second-looks`);
    if (sent?.ok) setSure(false);
  };
  return (
    <div className="flex flex-col gap-5">
      <Problem>{problem?.message}</Problem>
      {waiting > 0 && <WaitingForSecond waiting={waiting} mayClose={mayClose} sure={sure} busy={busy} close={close} />}
      {agreement.unions === 0 ? (
        <p className="board">
          No union was scored by two assessors yet.{' '}
          {blindRate === 0 ? (
            <>
              Set how many are to be in{' '}
              <Link href={`/workshops/${workshopId}/score/settings`}>the settings of scoring</Link>; the tool draws them
              by chance.
            </>
          ) : (
            'The room shows which ones want a second assessor.'
          )}
        </p>
      ) : (
        <>
          <Advice advice={advice} agreement={agreement} />
          <section aria-labelledby="alpha-title">
            <h2 id="alpha-title">
              All assessors, {agreement.unions} {agreement.unions === 1 ? 'union' : 'unions'}
            </h2>
            <p>
              Krippendorff&apos;s alpha: <strong>{figure(agreement.alphaMarks)}</strong> over all marks,{' '}
              <strong>{figure(agreement.alphaScores)}</strong> over scores. 1 is agreement throughout, 0 is what chance
              would give; from about 0.8 on scores can stand for one another.
            </p>
          </section>
          {agreement.pairs.map((pair) => (
            <Pair
              key={`${pair.first} ${pair.second}`}
              pair={pair}
              points={points}
              nameOf={nameOf}
              differences={
                differences.find(({ first, second }) => first === pair.first && second === pair.second)?.points ?? []
              }
            />
          ))}
          {agreement.drifts.length > 0 && (
            <section aria-labelledby="drift-title">
              <h2 id="drift-title">Through the day</h2>
              <ul>
                {agreement.drifts.map(({ assessorId, drift }) => (
                  <li key={assessorId}>
                    {nameOf[assessorId]}: <strong>{signed(drift.perHour)}</strong> points an hour against the others
                    (95&nbsp;%: {signed(drift.interval.from)} to {signed(drift.interval.to)}; {drift.n} unions)
                    {drift.interval.from * drift.interval.to <= 0 ? ', which may be chance' : ''}.
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      )}
    </div>
  );
}

function Pair({
  pair,
  points,
  nameOf,
  differences,
}: {
  pair: PairAgreement;
  points: { id: string; name: string }[];
  nameOf: Record<string, string>;
  differences: UnionDifference[];
}) {
  const [first, second] = [nameOf[pair.first] ?? 'A former member', nameOf[pair.second] ?? 'A former member'];
  const { scores } = pair;
  return (
    <section
      aria-label={`${first} and ${second}`}
      className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-8 gap-y-3 lg:grid-cols-[25rem_minmax(0,1fr)]"
    >
      <div className="relative overflow-x-auto">
        <h2 className="mb-1">
          {first} and {second}, {pair.n} {pair.n === 1 ? 'union' : 'unions'}
        </h2>
        <PointAgreement points={points} pair={pair} />
        <p className="mt-1 text-sm text-muted">
          Kappa weighs a difference by its square and takes off what chance would give. It says little where nearly all
          grades are one.
        </p>
      </div>
      {scores && (
        <div>
          <p>
            {first} scores <strong>{signed(scores.mean)}</strong> points against {second} on the same union
            {scores.interval && (
              <>
                {' '}
                (95&nbsp;%: {signed(scores.interval.from)} to {signed(scores.interval.to)})
              </>
            )}
            .{' '}
            {scores.limits && (
              <>
                Single unions differ by {signed(scores.limits.from)} to {signed(scores.limits.to)} points.
              </>
            )}
            {scores.n < ENOUGH_UNIONS && ' Too few to build on.'}
          </p>
          <DifferenceChart
            first={first}
            second={second}
            points={differences}
            mean={scores.mean}
            limits={scores.limits}
          />
        </div>
      )}
    </section>
  );
}

function figure(value: number | null): string {
  return value === null ? 'says nothing' : value.toFixed(2);
}

function signed(value: number): string {
  return `${value > 0 ? '+' : value < 0 ? '−' : ''}${Math.abs(value).toFixed(1)}`;
}

interface PointAgreementProps {
  points: { id: string; name: string }[];
  pair: PairAgreement;
}

/** How alike two grade each point. */
function PointAgreement({ points, pair }: PointAgreementProps) {
  return (
    <table className="bench-table">
      <thead>
        <tr>
          <th>Point</th>
          <th className="text-right">Graded alike</th>
          <th className="text-right">Weighted kappa</th>
        </tr>
      </thead>
      <tbody>
        {points.map(({ id, name }) => {
          const point = pair.points[id]!;
          return (
            <tr key={id}>
              <td>{name}</td>
              <td className="text-right">
                {point.same} of {point.n}
              </td>
              <td className="text-right font-bold">
                {point.kappa === null ? (
                  <span className="font-normal text-muted">
                    {point.n > 0 && point.same === point.n ? 'always alike' : 'says nothing'}
                  </span>
                ) : (
                  figure(point.kappa)
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface AdviceProps {
  advice: AgreementBoardProps['advice'];
  agreement: AgreementBoardProps['agreement'];
}

/** What to look at together. */
function Advice({ advice, agreement }: AdviceProps) {
  return (
    <section aria-labelledby="advice-title">
      <h2 id="advice-title">What to look at together</h2>
      {advice.length === 0 ? (
        <p>
          {agreement.unions < ENOUGH_UNIONS
            ? `Nothing can be told from ${agreement.unions} ${agreement.unions === 1 ? 'union' : 'unions'}: ${ENOUGH_UNIONS} scored by both are the least.`
            : 'Nothing stands out: go on as you do.'}
        </p>
      ) : (
        <ol className="mt-1 flex flex-col gap-1.5">
          {advice.map(({ words }) => (
            <li key={words} className="border-l-4 border-ink bg-sheet py-1 pl-3">
              {words}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

interface WaitingForSecondProps {
  waiting: AgreementBoardProps['waiting'];
  mayClose: AgreementBoardProps['mayClose'];
  sure: boolean;
  busy: boolean;
  close: () => Promise<void>;
}

/** Unions that wait for a second assessor. */
function WaitingForSecond({ waiting, mayClose, sure, busy, close }: WaitingForSecondProps) {
  return (
    <div className="flex flex-wrap items-center gap-3 border-l-4 border-ink bg-mist px-3 py-2">
      <p className="grow">
        <strong>
          {waiting} {waiting === 1 ? 'union waits' : 'unions wait'} for a second assessor.
        </strong>{' '}
        Until then their first scores are shown to nobody else and are left out here.
      </p>
      {mayClose && (
        <button
          type="button"
          className="bench-button"
          data-weight={sure ? 'loud' : undefined}
          disabled={busy}
          onClick={() => void close()}
        >
          {sure ? 'Yes, nobody will look again' : 'Give these second looks up'}
        </button>
      )}
    </div>
  );
}
