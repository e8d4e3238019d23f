'use client';

import { type KeyboardEvent, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import type { AnswerCard } from '@/core/follow-up/entering/answer-card';
import type { AnswerBack } from '@/core/follow-up/grower/grower-page';
import type { TypedWay } from '@/core/follow-up/way-in';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { asksOn, cardKeys, type CardKey, contentOf, type TypedCard, withKey } from './card-keys';

interface CardFormProps {
  card: AnswerCard;
  source: TypedWay;
  cameOn: string;
  today: string;
  onSaved: () => void;
}

const EMPTY: TypedCard = { signs: {}, said: '', snapped: false, growth: '', growthUnit: 'mm', seenOn: '', note: '' };

/** Saves a card; what did not arrive keeps its id, so that it is one answer however often it is sent. */
function useCardEntry({ card, source, cameOn, onSaved }: CardFormProps) {
  const [typed, setTyped] = useState(EMPTY);
  const [back, setBack] = useState<AnswerBack | null>(null);
  const pending = useRef<{ id: string; content: string } | null>(null);
  const { run, busy, problem } = useSend();
  const save = async (entered = typed): Promise<void> => {
    const body = { unionId: card.unionId, ...entered, source, cameOn };
    const content = JSON.stringify(body);
    if (pending.current?.content !== content) pending.current = { id: uuid(), content };
    const sent = await run<AnswerBack>('PUT', `/api/reports/${pending.current.id}`, body);
    if (!sent?.ok) return;
    pending.current = null;
    setBack(sent.data);
    setTyped(EMPTY);
    onSaved();
  };
  return { typed, setTyped, back, save, busy, problem };
}

/** One graft to enter an answer for: a key for each thing that can be said, Enter to save. Nothing is preset. */
export function CardForm(props: CardFormProps) {
  const { card, today } = props;
  const { typed, setTyped, back, save, busy, problem } = useCardEntry(props);
  const keys = cardKeys(card, typed);
  const onKey = (event: KeyboardEvent<HTMLFormElement>): void => {
    const { target, key, ctrlKey, metaKey, altKey } = event;
    const typing =
      target instanceof HTMLElement && target.matches('input:not([type=radio]):not([type=checkbox]), select');
    if (ctrlKey || metaKey || altKey || typing) return;
    if (key === 'Enter' && target instanceof HTMLButtonElement) return;
    if (key === 'Enter') {
      event.preventDefault();
      void save();
      return;
    }
    const next = withKey(card, typed, key);
    if (next) {
      event.preventDefault();
      setTyped(next);
    }
  };
  const { code, variety, position, grower, stands, workshop, madeOn, question, told, state } = card;
  return (
    <form
      tabIndex={-1}
      data-card={card.unionId}
      data-state={back ? 'told' : state}
      aria-label={`${formatCode(code)} of ${grower}`}
      className="board focus:outline-3 focus:outline-offset-2 focus:outline-ink"
      onKeyDown={onKey}
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      noValidate
    >
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="text-xl">{formatCode(code)}</strong>
        <span>
          {variety}
          {position && `, ${position}`} · <strong>{grower}</strong>
          {stands && ` · ${stands}`} · {workshop}, {formatDate(madeOn)}
        </span>
      </p>
      <p className="text-sm text-muted">{back ? 'Entered just now; another answer goes before it.' : told}</p>
      {state === 'too-early' ? (
        <TooEarly
          code={code}
          busy={busy}
          problem={problem?.message}
          onDead={() => void save({ ...EMPTY, said: 'dead' })}
        />
      ) : (
        <>
          <p className="mt-1 font-bold">{question}</p>
          <CardChoices keys={keys} card={card} typed={typed} setTyped={setTyped} />
          <CardMore card={card} typed={typed} setTyped={setTyped} today={today} errors={problem?.fields ?? {}} />
          <div className="mt-2 flex flex-wrap items-center gap-3">
            <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
              Save {formatCode(code)}
            </button>
            <Problem>{problem?.message}</Problem>
          </div>
        </>
      )}
      {back && <SaidBack back={back} />}
    </form>
  );
}

interface ChoicesProps {
  keys: readonly CardKey[];
  card: AnswerCard;
  typed: TypedCard;
  setTyped: (typed: TypedCard) => void;
}

function CardChoices({ keys, card, typed, setTyped }: ChoicesProps) {
  const groups = [
    ...card.groups.filter((group) => asksOn(group, typed)).map(({ id, words }) => ({ id, words })),
    { id: 'said', words: 'Or simply' },
  ];
  return (
    <div className="mt-1 flex flex-col gap-2">
      {groups.map(({ id, words }) => (
        <fieldset key={id} className="flex flex-wrap items-center gap-2">
          <legend className="float-left mr-2 min-w-40 text-sm font-bold">{words}</legend>
          {keys
            .filter(({ group }) => group === id)
            .map(({ key, option, words: said }) => {
              const chosen = id === 'said' ? typed.said === option : typed.signs[id] === option;
              return (
                <label
                  key={option}
                  className="flex min-h-11 cursor-pointer items-center gap-2 border-2 border-line px-2.5 has-checked:border-ink has-checked:bg-ink has-checked:text-paper has-focus-visible:outline-3 has-focus-visible:outline-ink"
                >
                  <input
                    type="radio"
                    className="sr-only"
                    name={`${card.unionId} ${id}`}
                    checked={chosen}
                    onChange={() => setTyped(withKey(card, typed, key) ?? typed)}
                  />
                  <kbd className="border border-current px-1 text-sm">{key}</kbd> {said}
                </label>
              );
            })}
        </fieldset>
      ))}
    </div>
  );
}

interface MoreProps {
  card: AnswerCard;
  typed: TypedCard;
  setTyped: (typed: TypedCard) => void;
  today: string;
  errors: Record<string, string>;
}

function CardMore({ card, typed, setTyped, today, errors }: MoreProps) {
  const change = (part: Partial<TypedCard>): void => setTyped({ ...typed, ...part });
  return (
    <details className="mt-2" open={contentOf(typed) || errors.seenOn !== undefined}>
      <summary className="min-h-11 cursor-pointer py-2">Length, another day, a note</summary>
      <div className="grid gap-3 sm:grid-cols-[8rem_9rem_11rem_1fr]">
        <Field label="Shoot" error={errors.growth}>
          <input
            value={typed.growth}
            inputMode="decimal"
            onChange={({ target }) => change({ growth: target.value })}
            disabled={!card.measured}
          />
        </Field>
        <Field label="In">
          <select
            value={typed.growthUnit}
            onChange={({ target }) => change({ growthUnit: target.value as TypedCard['growthUnit'] })}
          >
            <option value="mm">millimetres</option>
            <option value="in">inches</option>
            <option value="hand">hand-widths</option>
          </select>
        </Field>
        <Field label="Seen on, if not today" error={errors.seenOn}>
          <input
            type="date"
            min={card.madeOn}
            max={today}
            value={typed.seenOn}
            onChange={({ target }) => change({ seenOn: target.value })}
          />
        </Field>
        <Field label="Note" error={errors.note}>
          <input
            value={typed.note}
            maxLength={500}
            autoComplete="off"
            onChange={({ target }) => change({ note: target.value })}
          />
        </Field>
      </div>
      <label className="mt-1 flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={typed.snapped}
          onChange={({ target }) => change({ snapped: target.checked })}
        />
        It has snapped off at the union
      </label>
    </details>
  );
}

interface TooEarlyProps {
  code: string;
  busy: boolean;
  problem: string | undefined;
  onDead: () => void;
}

/** Of a plant on which nothing can be seen yet: a death is news on any day. */
function TooEarly({ code, busy, problem, onDead }: TooEarlyProps) {
  return (
    <div className="mt-1 flex flex-wrap items-center gap-3">
      <p>Nothing can be seen of it yet. That it died can be told on any day.</p>
      <button type="button" className="bench-button" disabled={busy} onClick={onDead}>
        {formatCode(code)} is dead
      </button>
      <Problem>{problem}</Problem>
    </div>
  );
}

/** What can be said back to whoever told it. */
function SaidBack({ back }: { back: AnswerBack }) {
  return (
    <div role="status" className="mt-2 border-l-4 border-life pl-3">
      <p>
        <strong>{back.reading || 'Saved.'}</strong> {back.why} {back.next}
      </p>
      {back.second.length > 0 && (
        <p>
          <strong>Say in the same breath:</strong> {back.second.join(' ')}
        </p>
      )}
      {back.week.length > 0 && (
        <p>
          <strong>This week:</strong> {back.week.join(' ')}
        </p>
      )}
    </div>
  );
}
