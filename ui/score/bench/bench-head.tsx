import Link from 'next/link';
import { STAGES } from '@/core/score/rubric/judge-union';
import { type BenchState, scoreText } from './bench-data';
import { ChoiceRow } from './choice-row';
import { Figures } from './figures';
import { STAGE_WORDS } from './keeper-strip';
import type { Scoring } from './use-scoring';

interface BenchHeadProps {
  scoring: Scoring;
  state: BenchState;
  fromPaper: boolean;
}

/** Which union it is and whose, what waits for a second look, and its figures. */
export function BenchHead({ scoring, state: { workshop, unit, methods }, fromPaper }: BenchHeadProps) {
  const { seat, keeper, method, draft, unseen, entry, read, called, told } = scoring;
  return (
    <div className="order-1 flex min-w-0 flex-col gap-2 lg:order-2">
      <div className="flex items-baseline justify-between gap-3">
        <h1>
          <span data-testid="called">{called}</span>{' '}
          <span className="text-base font-normal">
            {seat.name}
            {entry.correctsId ? ', correcting' : ''}
            {draft?.second ? ', second assessor' : ''}
          </span>
          {!seat.briefed && (
            <Link
              href={`/workshops/${workshop.id}/teach/briefing`}
              className="ml-2 border-2 border-ink px-1.5 text-sm font-bold whitespace-nowrap no-underline"
            >
              not briefed
            </Link>
          )}
        </h1>
        <p className="shrink-0 text-right text-sm">
          <span className="mr-2 text-2xl leading-none font-bold tabular-nums max-lg:hidden" aria-hidden>
            {read.judged ? scoreText(read.judged.score) : ''}
          </span>
          <span role="status" className="font-bold">
            {told.notice}
          </span>{' '}
          <span className="text-muted">{told.notice ? '' : unit === 'mm' ? 'lengths in mm' : 'lengths in inches'}</span>
        </p>
      </div>
      {keeper && (
        <p className="-mt-1 text-sm">
          {method.name}, {keeper.variety} on {keeper.stock}
        </p>
      )}
      <WhatItIs scoring={scoring} methods={methods} />
      {unseen.length > 0 && !draft && (
        <div className="flex flex-wrap items-center gap-2 border-l-4 border-ink bg-mist px-2 py-1 text-sm">
          <span>Scored by another; yours is wanted without knowing theirs:</span>
          {unseen.map((union) => (
            <button key={union.id} type="button" className="bench-button px-3" onClick={() => scoring.scoreToo(union)}>
              Score {seat.number}-{union.number} too
            </button>
          ))}
        </div>
      )}
      {fromPaper && (
        <label className="block text-sm font-bold">
          Sheet filled in at
          <input
            type="datetime-local"
            name="filledInAt"
            value={scoring.filledIn}
            onChange={(event) => scoring.setFilledIn(event.target.value)}
            aria-invalid={told.problem?.fields.filledInAt !== undefined}
            className="bench-input font-normal"
          />
        </label>
      )}
      <Figures
        method={method}
        entry={entry}
        unit={unit}
        measures={read.measures}
        errors={{ ...told.problem?.fields, ...read.errors }}
        onChange={scoring.edit}
      />
    </div>
  );
}

/** How far a keeper is, or by which of the day's methods a practice union was joined. */
function WhatItIs({ scoring, methods }: { scoring: Scoring; methods: BenchState['methods'] }) {
  const { keeper, method, draft, stage, judgedAt } = scoring;
  const offered = methods.filter(({ id, planned }) => planned || id === method.id);
  if (keeper)
    return (
      <ChoiceRow
        legend="How far it is"
        name="stage"
        choices={STAGES.map((id) => ({
          id,
          words: STAGE_WORDS[id],
          // What was judged already is not judged as less.
          disabled: judgedAt !== null && STAGES.indexOf(id) <= STAGES.indexOf(judgedAt) && id !== stage,
        }))}
        value={stage}
        onChoose={scoring.chooseStage}
      />
    );
  if (offered.length < 2 || (draft && draft.second !== null)) return null;
  return (
    <ChoiceRow
      legend="Joined by"
      name="method"
      choices={offered.map(({ id, name }) => ({ id, words: name }))}
      value={method.id}
      onChoose={scoring.chooseMethod}
    />
  );
}
