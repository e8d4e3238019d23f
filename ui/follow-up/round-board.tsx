'use client';

import { counted } from '@/core/units/counted';
import { MOST_LETTERS } from '@/core/follow-up/letters/letter';
import { useState } from 'react';
import { ANSWERS, MILESTONE_WORDS } from '@/core/methods/milestones';
import { formatDate } from '@/core/units/iso-date';
import type { RoundOnBoard } from './round-data';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { FieldValues, UseFormRegister } from 'react-hook-form';
import { MARKS, GrowerTable } from './grower-table';

/** A round: who was asked and how, and what is known of each plant. */
export function RoundBoard({ round, mayChange, today }: { round: RoundOnBoard; mayChange: boolean; today: string }) {
  const [told, setTold] = useState('');
  const [moving, setMoving] = useState(false);
  const { register, submit, errors, problem, busy, run } = useEntry(
    () => import('@/core/follow-up/round-input').then(({ closing }) => closing),
    async (values, entry) => {
      const sent = await entry.run('PATCH', `/api/rounds/${round.id}`, values);
      if (sent?.ok) setMoving(false);
    },
  );
  const words = MILESTONE_WORDS[round.milestone];

  const write = async (): Promise<void> => {
    const sent = await run<{ sent: number; waiting: number; held: number }>(
      'POST',
      `/api/rounds/${round.id}/messages`,
      {
        sentSoFar: round.sentSoFar,
      },
    );
    if (sent?.ok)
      setTold(
        `${sent.data.sent} written to, in the simulated outbox.${sent.data.waiting > 0 ? ` ${sent.data.waiting} of the letters wait there and go out by themselves.` : ''}${sent.data.held > 0 ? ` ${counted(sent.data.held, 'person', 'people')} had a letter within the week and ${sent.data.held === 1 ? 'is' : 'are'} asked by the next one.` : ''}`,
      );
  };
  const withdraw = (personId: string): Promise<unknown> => run('DELETE', `/api/rounds/${round.id}/links/${personId}`);
  return (
    <section className="board min-w-0" aria-labelledby={`round-${round.id}`}>
      <RoundHead
        round={round}
        today={today}
        mayChange={mayChange}
        busy={busy}
        onWrite={() => void write()}
        onMove={() => setMoving(!moving)}
      />
      <Problem>{problem}</Problem>
      <p role="status" className="font-bold">
        {told}
      </p>
      {moving && <ClosingForm submit={submit} errors={errors} register={register} round={round} busy={busy} />}
      <GrowerTable
        label={`${words.name}: growers`}
        mayChange={mayChange}
        round={round}
        withdraw={withdraw}
        busy={busy}
      />
      <MarksKey />
    </section>
  );
}

function Slips({ roundId, count }: { roundId: string; count: number }) {
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState('');
  if (count === 0) return null;
  const print = async (): Promise<void> => {
    setBusy(true);
    setFailed('');
    const response = await fetch(`/api/rounds/${roundId}/slips`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ paper: 'A4' }),
    }).catch(() => null);
    setBusy(false);
    if (response?.ok) window.open(URL.createObjectURL(await response.blob()), '_blank', 'noopener');
    else setFailed('The slips could not be made. Try again in a moment.');
  };
  return (
    <>
      <button type="button" className="bench-button" disabled={busy} onClick={() => void print()}>
        {count === 1 ? 'Print 1 slip' : `Print ${count} slips`}
      </button>
      {failed && <Problem>{failed}</Problem>}
    </>
  );
}

/** What the marks mean. */
function MarksKey() {
  return (
    <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm text-muted">
      {([...ANSWERS, 'none'] as const).map((answer) => (
        <span key={answer} className="inline-flex items-center gap-1.5">
          <span
            aria-hidden
            className={`grid size-5 place-content-center border-2 text-xs font-bold ${MARKS[answer].colours}`}
          >
            {MARKS[answer].sign}
          </span>
          {MARKS[answer].words}
        </span>
      ))}
    </p>
  );
}

interface ClosingFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => void;
  errors: Record<string, string | undefined>;
  register: UseFormRegister<FieldValues>;
  round: RoundOnBoard;
  busy: boolean;
}

/** Moves the day the round closes. */
function ClosingForm({ submit, errors, register, round, busy }: ClosingFormProps) {
  return (
    <form onSubmit={submit} className="mt-2 flex flex-wrap items-end gap-3" noValidate>
      <div className="w-48">
        <Field label="Closes on" error={errors.closesOn}>
          <input {...register('closesOn')} type="date" defaultValue={round.closesOn} />
        </Field>
      </div>
      <button type="submit" className="bench-button" disabled={busy}>
        Move it
      </button>
    </form>
  );
}

interface RoundHeadProps {
  round: RoundOnBoard;
  today: string;
  mayChange: boolean;
  busy: boolean;
  onWrite: () => void;
  onMove: () => void;
}

/** What the round asks, how long, and who was heard. */
function RoundHead({ round, today, mayChange, busy, onWrite, onMove }: RoundHeadProps) {
  const words = MILESTONE_WORDS[round.milestone];
  const plants = round.growers.flatMap((grower) => grower.plants);
  const heard = plants.filter(({ answer }) => answer !== null).length;
  const open = round.growers.filter(
    (grower) => grower.reachable && grower.written < MOST_LETTERS && grower.plants.some(({ due }) => due),
  ).length;
  const byPaper = round.growers.filter((grower) => !grower.reachable && !grower.withUs).length;
  return (
    <div className="flex flex-wrap items-start justify-between gap-3">
      <div>
        <h2 id={`round-${round.id}`}>
          {words.name}: {round.question}
        </h2>
        <p className="text-muted">
          {round.closed
            ? `Closed on ${formatDate(round.closesOn)}`
            : today < round.opensOn
              ? `Opens on ${formatDate(round.opensOn)}`
              : `Open until ${formatDate(round.closesOn)}`}
          . Heard of {heard} of {counted(plants.length, 'plant')}.
        </p>
      </div>
      {mayChange && (
        <div className="flex flex-wrap gap-2">
          {!round.closed && (
            <button
              type="button"
              className="bench-button"
              data-weight="main"
              disabled={busy || open === 0}
              onClick={onWrite}
            >
              {open === 0 ? 'Nobody left to write to' : round.sentSoFar === 0 ? `Write to ${open}` : `Remind ${open}`}
            </button>
          )}
          <Slips roundId={round.id} count={byPaper} />
          <button type="button" className="bench-button" onClick={onMove}>
            Move the closing
          </button>
        </div>
      )}
    </div>
  );
}
