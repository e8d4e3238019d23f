'use client';

import { QueryClientProvider } from '@tanstack/react-query';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { nextPeople } from '@/core/score/readiness/next-person';
import { keepToWorkOn } from '@/ui/kit/device/keep-page';
import { useAlive } from '@/ui/kit/form/use-alive';
import { WaitingStrip } from '@/ui/kit/device/waiting-strip';
import { Bench } from './bench';
import { attemptsToReady, type BenchState, keeperByCode, unionsOf } from './bench-data';
import { LikelyDoubles } from './likely-doubles';
import { RoomView } from './room-view';
import { useBench } from './use-bench';
import { benchQueries } from './use-bench-state';

interface BenchDayProps {
  initial: BenchState;
  /** Number of the seat to open; the room is shown without one. */
  seat: number | null;
  /** Code of the keeper to open, from its tag. */
  keeper?: string | null;
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
  return <Suspense fallback={fallback}>{alive ? <WithQueries {...props} /> : fallback}</Suspense>;
}

function WithQueries(props: BenchDayProps) {
  const [queries] = useState(benchQueries);
  return (
    <QueryClientProvider client={queries}>
      <Day {...props} />
    </QueryClientProvider>
  );
}

/** What is open at the bench: a seat, and where it is a keeper that is judged, that. */
interface OpenAt {
  seatId: string;
  keeperId: string | null;
}

/** What an address opens: a keeper by its code, the first of its plant that nobody judged, or a seat. */
function openedBy(state: BenchState, seat: number | null, keeper: string | null): OpenAt | null {
  const held = keeper === null ? null : keeperByCode(state, keeper);
  if (held) return { seatId: held.seatId, keeperId: held.unionId };
  const seatId = state.seats.find(({ number }) => number === seat)?.id;
  return seatId === undefined ? null : { seatId, keeperId: null };
}

function Day({ initial, seat, keeper = null, fromPaper = false }: BenchDayProps) {
  const live = useBench(initial);
  const { state } = live;
  const [open, setOpen] = useState<OpenAt | null>(
    () => openedBy(initial, seat, keeper) ?? (fromPaper ? { seatId: initial.seats[0]!.id, keeperId: null } : null),
  );
  const [now, setNow] = useState(initial.takenAt);

  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now() + live.clock), 5000);
    return () => clearInterval(tick);
  }, [live.clock]);
  useEffect(() => {
    // The address follows, so that a reload opens the same seat. What is kept offline is one page for all seats.
    const asked = new URL(location.href).searchParams;
    const [atSeat, atKeeper] = [asked.get('seat'), asked.get('keeper')];
    if ((atSeat && Number(atSeat) !== seat) || (atKeeper && atKeeper !== keeper))
      queueMicrotask(() => setOpen(openedBy(initial, atSeat ? Number(atSeat) : null, atKeeper)));
    if (!fromPaper) void keepToWorkOn(location.pathname).catch(() => undefined);
  }, [seat, keeper, initial, fromPaper]);

  const go = (seatId: string | null, keeperId: string | null = null): void => {
    setOpen(seatId === null ? null : { seatId, keeperId });
    const number = state.seats.find(({ id }) => id === seatId)?.number;
    const code = state.keepers.find(({ unionId }) => unionId === keeperId)?.code;
    const query = number === undefined ? '' : `?seat=${number}${code ? `&keeper=${code}` : ''}`;
    history.replaceState(null, '', `${location.pathname}${query}`);
  };
  const suggestions = useMemo(() => {
    const people = state.seats.map(({ id, number }) => {
      const own = unionsOf(state, id);
      return {
        seatId: id,
        number,
        attempts: attemptsToReady(state, id),
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
        here={`/workshops/${state.workshop.id}/score`}
        workshopId={state.workshop.id}
        goOn="You can go on scoring; what you save is kept on this device."
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
      ) : open === null || !state.seats.some(({ id }) => id === open.seatId) ? (
        <RoomView state={state} suggestions={suggestions} onOpen={go} />
      ) : (
        <Bench
          live={live}
          seatId={open.seatId}
          keeperId={open.keeperId}
          onOpen={go}
          onRoom={() => go(null)}
          next={suggestions[0] ?? null}
          fromPaper={fromPaper}
        />
      )}
    </>
  );
}
