'use client';

import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { AnswerCard } from '@/core/follow-up/entering/answer-card';
import { TYPED_WAYS, type TypedWay, WAY_IN_WORDS } from '@/core/follow-up/way-in';
import { counted } from '@/core/units/counted';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { CardForm } from './card-form';

/** Grafts found for what was typed; nothing for less than two letters. */
function useCards(search: string) {
  return useQuery({
    queryKey: ['answer cards', search],
    enabled: search.trim().length > 1,
    staleTime: 0,
    queryFn: async (): Promise<AnswerCard[]> => {
      const response = await fetch(`/api/answers/find?search=${encodeURIComponent(search)}`);
      const said = (await response.json()) as AnswerCard[] & { message?: string };
      if (!response.ok) throw new Error(said.message ?? 'The search did not go through. Try again in a moment.');
      return said;
    },
  });
}

interface AnswersDeskProps {
  /** What is looked for when the page opens; empty for nothing. */
  search: string;
  today: string;
}

/** Answers as they are told: find the graft by code, name or place, tap what is said, and the next; all by keyboard. */
export function AnswersDesk(props: AnswersDeskProps) {
  const [queries] = useState(() => new QueryClient());
  return (
    <QueryClientProvider client={queries}>
      <Desk {...props} />
    </QueryClientProvider>
  );
}

/** Where the last way is kept: most answers of an evening come the same way. */
const LAST_WAY = 'pear-bench-way-in';
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const lastWay = (): TypedWay => TYPED_WAYS.find((way) => way === localStorage.getItem(LAST_WAY)) ?? 'phone';

/** The way answers come, by phone at first, then as it was last chosen on this device. */
function useWayIn(): [TypedWay, (way: TypedWay) => void] {
  const way = useSyncExternalStore(subscribe, lastWay, () => 'phone' as const);
  const choose = (next: TypedWay): void => {
    localStorage.setItem(LAST_WAY, next);
    for (const listener of listeners) listener();
  };
  return [way, choose];
}

function Desk({ search: first, today }: AnswersDeskProps) {
  const [search, setSearch] = useState(first);
  const [source, setSource] = useWayIn();
  const [cameOn, setCameOn] = useState('');
  const [done, setDone] = useState(0);
  const box = useRef<HTMLInputElement>(null);
  const list = useRef<HTMLUListElement>(null);
  const { data: cards = [], error, isFetching, refetch } = useCards(search);

  /** The next graft that is still to be told of, or the search for another. */
  const goOn = (unionId: string): void => {
    setDone((count) => count + 1);
    const forms = [...(list.current?.querySelectorAll<HTMLElement>('[data-card]') ?? [])];
    const at = forms.findIndex(({ dataset }) => dataset.card === unionId);
    const next = forms.slice(at + 1).find(({ dataset }) => dataset.state === 'due');
    if (next) next.focus();
    else {
      box.current?.focus();
      box.current?.select();
    }
  };
  // What was found is at hand at once: the first that is due.
  const key = cards.map(({ unionId }) => unionId).join();
  useEffect(() => {
    if (key !== '' && search !== '') list.current?.querySelector<HTMLElement>('[data-card]')?.focus();
  }, [key, search]);

  return (
    <div className="flex flex-col gap-4">
      <form
        // Whoever types faster than the page is ready gets there all the same, by its address.
        action="/answers"
        className="board grid items-end gap-3 sm:grid-cols-[1fr_auto_11rem]"
        onSubmit={(event) => {
          event.preventDefault();
          const typed = box.current!.value.trim();
          setSearch(typed);
          if (typed === search) void refetch();
        }}
      >
        <Field label="Code, name or place" hint="Enter finds it. A scanned tag or slip does too.">
          <input ref={box} name="search" defaultValue={first} autoFocus autoComplete="off" spellCheck={false} />
        </Field>
        <WayIn source={source} setSource={setSource} />
        <Field label="It came on, if not today">
          <input type="date" max={today} value={cameOn} onChange={({ target }) => setCameOn(target.value)} />
        </Field>
      </form>
      <p role="status" className="font-bold">
        {isFetching
          ? 'Looking.'
          : search.length > 1 && cards.length === 0 && !error
            ? `Nothing is found for “${search}”. Try the code on the tag, part of a name, or the name of a place.`
            : cards.length > 0
              ? `${counted(cards.length, 'graft')} found${done > 0 ? `, ${counted(done, 'answer')} entered` : ''}.`
              : ''}
      </p>
      <Problem>{error?.message}</Problem>
      <ul ref={list} className="flex flex-col gap-3">
        {cards.map((card) => (
          <li key={card.unionId}>
            <CardForm card={card} source={source} cameOn={cameOn} today={today} onSaved={() => goOn(card.unionId)} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function WayIn({ source, setSource }: { source: TypedWay; setSource: (way: TypedWay) => void }) {
  return (
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="text-sm font-bold">It comes</legend>
      {TYPED_WAYS.map((way) => (
        <label key={way} className="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            name="source"
            className="size-5"
            checked={source === way}
            onChange={() => setSource(way)}
          />
          {WAY_IN_WORDS[way]}
        </label>
      ))}
    </fieldset>
  );
}
