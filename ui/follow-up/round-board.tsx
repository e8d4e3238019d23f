'use client';

import { closing } from '@/core/follow-up/round-input';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { ANSWER_WORDS, ANSWERS, type Answer, MILESTONE_WORDS } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import type { RoundGrower, RoundOnBoard } from './round-data';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { AskFirst } from '@/ui/kit/form/ask-first';
import { EnterAnswer } from './enter-answer';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

/** How an answer looks in a row of plants: shape and letter, green only for life. */
const MARKS: Record<Answer | 'none', { sign: string; colours: string; words: string }> = {
  yes: { sign: '✓', colours: 'border-life bg-life text-white', words: ANSWER_WORDS.yes.toLowerCase() },
  'not-sure': { sign: '?', colours: 'border-ink bg-sheet', words: ANSWER_WORDS['not-sure'].toLowerCase() },
  dead: { sign: '†', colours: 'border-ink bg-ink text-paper', words: ANSWER_WORDS.dead.toLowerCase() },
  'not-found': { sign: '–', colours: 'border-ink border-dashed bg-sheet', words: 'cannot be found' },
  none: { sign: '', colours: 'border-line border-dashed bg-paper', words: 'not heard from' },
};

/** A round: who was asked and how, and what is known of each plant. */
export function RoundBoard({ round, mayChange, today }: { round: RoundOnBoard; mayChange: boolean; today: string }) {
  const [told, setTold] = useState('');
  const [moving, setMoving] = useState(false);
  const { register, submit, errors, problem, busy, run } = useEntry(closing, async (values, entry) => {
    const sent = await entry.run('PATCH', `/api/rounds/${round.id}`, values);
    if (sent?.ok) setMoving(false);
  });
  const words = MILESTONE_WORDS[round.milestone];
  const plants = round.growers.flatMap((grower) => grower.plants);
  const heard = plants.filter(({ answer }) => answer !== null).length;
  const open = round.growers.filter(
    (grower) => grower.reachable && grower.plants.some(({ answer }) => answer === null),
  ).length;
  const byPaper = round.growers.filter((grower) => !grower.reachable).length;

  const write = async (): Promise<void> => {
    const sent = await run<{ sent: number; waiting: number }>('POST', `/api/rounds/${round.id}/messages`, {
      sentSoFar: round.sentSoFar,
    });
    if (sent?.ok)
      setTold(
        `${sent.data.sent} written to, in the simulated outbox.${sent.data.waiting > 0 ? ` ${sent.data.waiting} of the letters wait there and go out by themselves.` : ''}`,
      );
  };
  const withdraw = (personId: string): Promise<unknown> => run('DELETE', `/api/rounds/${round.id}/links/${personId}`);
  return (
    <section className="board min-w-0" aria-labelledby={`round-${round.id}`}>
      <RoundHead
        round={round}
        words={words}
        today={today}
        heard={heard}
        plants={plants}
        mayChange={mayChange}
        busy={busy}
        open={open}
        write={write}
        byPaper={byPaper}
        setMoving={setMoving}
        moving={moving}
      />
      <Problem>{problem}</Problem>
      <p role="status" className="font-bold">
        {told}
      </p>
      {moving && <ClosingForm submit={submit} errors={errors} register={register} round={round} busy={busy} />}
      <div
        className="relative mt-3 overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label={`${words.name}: growers, scrolls sideways on narrow screens`}
      >
        <GrowerTable mayChange={mayChange} round={round} withdraw={withdraw} busy={busy} />
      </div>
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

interface GrowerRowProps {
  grower: RoundGrower;
  mayChange: boolean;
  round: RoundOnBoard;
  withdraw: (personId: string) => Promise<unknown>;
  busy: boolean;
}

/** A grower, how they were asked, and what they said of each plant. */
function GrowerRow({ grower, mayChange, round, withdraw, busy }: GrowerRowProps) {
  return (
    <tr>
      <td className="text-lg font-bold">{grower.seatNumber}</td>
      <td>{grower.name}</td>
      <td className="text-sm">
        {grower.written > 0
          ? `${grower.written} ${grower.written === 1 ? 'message' : 'messages'}`
          : grower.reachable
            ? 'not yet written to'
            : 'slip or phone'}
        {grower.written > 0 && grower.openLinks === 0 && ', link withdrawn'}
      </td>
      <td>
        <ul className="flex flex-wrap gap-1">
          {grower.plants.map((plant) => {
            const mark = MARKS[plant.answer ?? 'none'];
            const said = `${formatCode(plant.code)}, ${plant.variety}: ${mark.words}${plant.note ? `. ${plant.note}` : ''}`;
            return (
              <li key={plant.unionId} title={said} className="flex items-center gap-1 border border-line px-1 py-0.5">
                <RibbonStrip id={plant.ribbon} />
                <span className="text-sm tabular-nums">{formatCode(plant.code)}</span>
                <span
                  aria-hidden
                  className={`grid size-6 place-content-center border-2 text-sm font-bold ${mark.colours}`}
                >
                  {mark.sign}
                </span>
                <span className="sr-only">
                  {mark.words}. {plant.note}
                </span>
              </li>
            );
          })}
        </ul>
      </td>
      {mayChange && (
        <td>
          <div className="flex justify-end gap-1.5">
            <EnterAnswer roundId={round.id} milestone={round.milestone} grower={grower} />
            {grower.openLinks > 0 && (
              <AskFirst
                question={`Withdraw the link of ${grower.name}?`}
                meaning="No link they were sent for this round opens any more, and that cannot be undone. To ask them again, send a reminder: it carries a new link."
                yes="Withdraw it"
                onYes={() => void withdraw(grower.personId)}
                trigger={
                  <button type="button" className="bench-button" disabled={busy}>
                    Withdraw link<span className="sr-only"> of {grower.name}</span>
                  </button>
                }
              />
            )}
          </div>
        </td>
      )}
    </tr>
  );
}

interface GrowerTableProps {
  mayChange: boolean;
  round: RoundOnBoard;
  withdraw: (personId: string) => Promise<unknown>;
  busy: boolean;
}

/** All growers of the round. */
function GrowerTable({ mayChange, round, withdraw, busy }: GrowerTableProps) {
  return (
    <table className="bench-table">
      <thead>
        <tr>
          <th scope="col">Seat</th>
          <th scope="col">Grower</th>
          <th scope="col">Asked by</th>
          <th scope="col">Plants</th>
          {mayChange && (
            <th scope="col">
              <span className="sr-only">Do</span>
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {round.growers.map((grower) => (
          <GrowerRow
            key={grower.personId}
            grower={grower}
            mayChange={mayChange}
            round={round}
            withdraw={withdraw}
            busy={busy}
          />
        ))}
      </tbody>
    </table>
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
  words: { name: string; question: string; usualDay: string };
  today: string;
  heard: number;
  plants: { unionId: string; code: string; variety: string; ribbon: string; answer: Answer | null; note: string }[];
  mayChange: boolean;
  busy: boolean;
  open: number;
  write: () => Promise<void>;
  byPaper: number;
  setMoving: Dispatch<SetStateAction<boolean>>;
  moving: boolean;
}

/** What the round asks, how long, and who was heard. */
function RoundHead({
  round,
  words,
  today,
  heard,
  plants,
  mayChange,
  busy,
  open,
  write,
  byPaper,
  setMoving,
  moving,
}: RoundHeadProps) {
  return (
    <div className="flex flex-wrap items-start justify-between gap-3">
      <div>
        <h2 id={`round-${round.id}`}>
          {words.name}: {words.question}
        </h2>
        <p className="text-muted">
          {round.closed
            ? `Closed on ${formatDate(round.closesOn)}`
            : today < round.opensOn
              ? `Opens on ${formatDate(round.opensOn)}`
              : `Open until ${formatDate(round.closesOn)}`}
          . Heard of {heard} of {plants.length} plants.
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
              onClick={() => void write()}
            >
              {open === 0 ? 'Nobody left to write to' : round.sentSoFar === 0 ? `Write to ${open}` : `Remind ${open}`}
            </button>
          )}
          <Slips roundId={round.id} count={byPaper} />
          <button type="button" className="bench-button" onClick={() => setMoving(!moving)}>
            Move the closing
          </button>
        </div>
      )}
    </div>
  );
}
