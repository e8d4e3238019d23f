'use client';

import { QueryClientProvider } from '@tanstack/react-query';
import { Suspense, use, useEffect, useMemo, useState } from 'react';
import { loadMethod } from '@/core/methods/load-method';
import type { Method } from '@/core/methods/method';
import { nextPeople } from '@/core/score/readiness/next-person';
import { keepPage } from '@/ui/kit/device/keep-page';
import { send } from '@/ui/kit/form/send';
import { useAlive } from '@/ui/kit/form/use-alive';
import { WaitingStrip } from '@/ui/kit/device/waiting-strip';
import { Bench } from './bench';
import { attemptsOf, type BenchState, unionsOf } from './bench-data';
import { LikelyDoubles } from './likely-doubles';
import { RoomView } from './room-view';
import { useBench } from './use-bench';
import { benchQueries } from './use-bench-state';

interface BenchDayProps {
  initial: BenchState;
  /** Number of the seat to open; the room is shown without one. */
  seat: number | null;
  fromPaper?: boolean;
}

/** The bench day: the room, and one seat of it at a time. Works without reception once it was opened. */
export function BenchDay(props: BenchDayProps) {
  const alive = useAlive();
  const fallback = (
    <p className="board" id="bench">
      Laying out the bench…
    </p>
  );
  return <Suspense fallback={fallback}>{alive ? <WithMethod {...props} /> : fallback}</Suspense>;
}

function WithMethod(props: BenchDayProps) {
  const [queries] = useState(benchQueries);
  return (
    <QueryClientProvider client={queries}>
      <Day {...props} method={use(loadMethod(props.initial.workshop.method))} />
    </QueryClientProvider>
  );
}

function Day({ initial, seat, fromPaper = false, method }: BenchDayProps & { method: Method }) {
  const live = useBench(initial, method);
  const { state } = live;
  const [open, setOpen] = useState<string | null>(
    () => initial.seats.find(({ number }) => number === seat)?.id ?? (fromPaper ? initial.seats[0]!.id : null),
  );
  const [now, setNow] = useState(initial.takenAt);

  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now() + live.clock), 5000);
    return () => clearInterval(tick);
  }, [live.clock]);
  useEffect(() => {
    // The address follows, so that a reload opens the same seat. What is kept offline is one page for all seats.
    const asked = new URL(location.href).searchParams.get('seat');
    if (asked && Number(asked) !== seat)
      queueMicrotask(() => setOpen(initial.seats.find(({ number }) => String(number) === asked)?.id ?? null));
    if (!fromPaper) void keepBench().catch(() => undefined);
  }, [seat, initial.seats, fromPaper]);

  const go = (seatId: string | null): void => {
    setOpen(seatId);
    const number = state.seats.find(({ id }) => id === seatId)?.number;
    history.replaceState(null, '', `${location.pathname}${number === undefined ? '' : `?seat=${number}`}`);
  };
  const suggestions = useMemo(() => {
    const people = state.seats.map(({ id, number }) => {
      const own = unionsOf(state, id);
      return {
        seatId: id,
        number,
        attempts: attemptsOf(state, id),
        seenAt: own.length === 0 ? null : Math.max(...own.map(({ seenAt }) => seenAt)),
        secondLook: state.unseen.some((union) => union.seatId === id),
      };
    });
    const began = Math.min(...people.flatMap(({ seenAt }) => seenAt ?? []));
    // Once the day is over nobody waits any more.
    const today =
      people.some(({ seenAt }) => seenAt !== null && now - seenAt < 12 * 3_600_000) ||
      people.every(({ seenAt }) => seenAt === null);
    return today ? nextPeople(people, state.settings.ready, now, Number.isFinite(began) ? began : null) : [];
  }, [state, now]);

  return (
    <>
      <WaitingStrip
        workshopId={state.workshop.id}
        assessorId={state.assessor.id}
        waiting={live.waiting}
        link={live.link}
        onSend={live.sendNow}
      />
      <LikelyDoubles state={state} onSettled={live.refresh} />
      {live.waiting === null ? (
        <p className="board" id="bench">
          Laying out the bench…
        </p>
      ) : open === null || !state.seats.some(({ id }) => id === open) ? (
        <RoomView state={state} suggestions={suggestions} onOpen={go} />
      ) : (
        <Bench
          live={live}
          method={method}
          seatId={open}
          onSeat={go}
          onRoom={() => go(null)}
          next={suggestions[0] ?? null}
          fromPaper={fromPaper}
        />
      )}
    </>
  );
}

/** Keeps the bench for no reception; its session may then stay away for days. */
async function keepBench(): Promise<void> {
  if (await keepPage(location.pathname, '/')) await send('PUT', '/api/session', { keptOffline: true });
}
