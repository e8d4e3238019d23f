'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { timeOf } from '@/core/plan/benches/time-plan';
import type { DisplayList } from '@/core/drawing/display-list';
import type { WallState } from '@/core/score/wall/wall-state';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** The wall of a bench day: how far the room is, what goes wrong most often right now, and where the day stands. */
export function Wall({ workshopId, initial }: { workshopId: string; initial: WallState }) {
  const [state, setState] = useState(initial);
  const [connected, setConnected] = useState(true);
  useEffect(() => {
    let source: EventSource;
    let again: ReturnType<typeof setTimeout>;
    const open = (): void => {
      source = new EventSource(`/api/workshops/${workshopId}/wall`);
      source.onopen = () => setConnected(true);
      source.onmessage = (event) => setState(JSON.parse(String(event.data)) as WallState);
      source.onerror = () => {
        setConnected(false);
        // A line that was refused is closed for good by the browser; open another.
        if (source.readyState === EventSource.CLOSED) again = setTimeout(open, 2000);
      };
    };
    open();
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, [workshopId]);
  const { title, people, totals, fault, day } = state;
  const dense = people.length > 16;
  return (
    <main className="dim grid h-dvh grid-rows-[auto_minmax(0,1fr)_auto] gap-[2vh] overflow-hidden bg-paper px-[2.5vw] py-[2.2vh] text-ink">
      <WallHead title={title} totals={totals} connected={connected} />
      <div
        className={`grid min-h-0 gap-[2.5vw] ${people.length > 0 ? 'grid-cols-[minmax(0,1fr)_46vw]' : 'grid-cols-[24vw_minmax(0,1fr)]'}`}
      >
        {people.length > 0 ? (
          <ul
            aria-label="Everybody"
            className={`grid auto-rows-fr content-start gap-x-[2vw] overflow-hidden ${dense ? 'grid-cols-3' : 'grid-cols-2'}`}
          >
            {people.map(({ label, seen, ready }) => (
              <Person key={label} label={label} seen={seen} ready={ready} dense={dense} />
            ))}
          </ul>
        ) : (
          <Totals {...totals} />
        )}
        <CommonFault fault={fault} />
      </div>
      <DayLine day={day} />
    </main>
  );
}

/** Leaves a twig is drawn with at most; beyond them the count stands beside it. */
const MOST_LEAVES = 9;

/** Somebody by a twig that grows a leaf with every union seen. It says how far they are, not how well. */
function Person({ label, seen, ready, dense }: { label: string; seen: number; ready: boolean; dense: boolean }) {
  const leaves = Math.min(MOST_LEAVES, seen);
  const long = Math.max(8, leaves * 18 + 10);
  return (
    <li className="flex min-w-0 flex-col justify-center gap-[0.4vh] border-b border-line">
      <span className={`flex items-baseline gap-[0.6vw] ${dense ? 'text-[2.2vh]' : 'text-[2.8vh]'}`}>
        <span className="min-w-0 grow truncate font-bold tabular-nums">{label}</span>
        {ready && <span className="shrink-0 font-bold text-life">ready</span>}
      </span>
      <span className="flex items-center gap-[0.6vw]">
        <svg
          viewBox={`-3 0 ${MOST_LEAVES * 18 + 14} 30`}
          className={dense ? 'h-[2.6vh]' : 'h-[3.8vh]'}
          role="img"
          aria-label={`${seen} unions seen`}
        >
          <path d={`M0 16H${long}`} stroke={COLOURS.bark} strokeWidth={4} strokeLinecap="round" />
          {Array.from({ length: leaves }, (_, i) => (
            <path
              key={i}
              d={i % 2 === 0 ? 'M0 0C2 -12 12 -14 16 -13C15 -7 9 0 0 0Z' : 'M0 0C2 10 12 12 16 11C15 5 9 0 0 0Z'}
              transform={`translate(${i * 18 + 8} 16)`}
              fill="var(--color-life)"
              stroke="var(--color-paper)"
            />
          ))}
        </svg>
        {seen > MOST_LEAVES && (
          <span className="text-[2vh] text-muted tabular-nums" aria-hidden>
            {seen}
          </span>
        )}
      </span>
    </li>
  );
}

function Totals({ people, unions, ready }: WallState['totals']) {
  return (
    <dl className="flex flex-col gap-[3vh]">
      {[
        [people, 'at the benches'],
        [unions, 'unions seen'],
        [ready, 'ready for living wood'],
      ].map(([figure, words]) => (
        <div key={words}>
          <dt className="text-[2.6vh] text-muted">{words}</dt>
          <dd className="text-[10vh] leading-none font-bold tabular-nums">{figure}</dd>
        </div>
      ))}
    </dl>
  );
}

/** A drawing as large as the wall has room for, the place in question ringed. */
function Fitted({
  drawing,
  title,
  caption,
  point,
}: {
  drawing: DisplayList;
  title: string;
  caption: 'Right' | 'Wrong' | 'As it came out here' | 'Where its lines met';
  point?: string;
}) {
  const { width: wide, height: high } = useSyncExternalStore(onResize, viewport, () => HALL);
  const width = Math.min(wide * 0.205, (high * 0.42 * drawing.width) / drawing.height);
  const anchor = drawing.anchors.find((anchor) => anchor.point === point);
  const scale = width / drawing.width;
  return (
    <figure className="flex flex-col gap-[1vh]">
      <figcaption
        className={`text-[2.4vh] ${caption === 'Wrong' ? 'font-bold text-loud' : caption === 'Right' ? 'font-bold' : 'text-muted'}`}
      >
        {caption === 'Wrong' ? '✕ ' : ''}
        {caption}
      </figcaption>
      <div className="relative">
        <UnionDrawing drawing={drawing} width={width} title={title} words={high * 0.02} />
        {anchor && (
          <span
            aria-hidden
            className="absolute size-[7vh] -translate-1/2 rounded-full border-[0.7vh] border-loud"
            style={{ left: anchor.at[0] * scale, top: anchor.at[1] * scale }}
          />
        )}
      </div>
    </figure>
  );
}

const HALL = { width: 1920, height: 1080 };
let known = HALL;
function viewport(): typeof HALL {
  if (known.width !== window.innerWidth || known.height !== window.innerHeight)
    known = { width: window.innerWidth, height: window.innerHeight };
  return known;
}
function onResize(listener: () => void): () => void {
  window.addEventListener('resize', listener);
  return () => window.removeEventListener('resize', listener);
}

/** The day as a stick with its blocks, and where it stands. */
function DayLine({ day: { blocks, now } }: Pick<WallState, 'day'>) {
  if (blocks.length === 0) return null;
  const [from, to] = [blocks[0]!.from, blocks.at(-1)!.to];
  const at = (minutes: number): number => ((minutes - from) / (to - from)) * 100;
  const current = now === null ? undefined : blocks.find((block) => now >= block.from && now < block.to);
  return (
    <footer aria-label="The day" className="text-[2.2vh]">
      <p className="mb-[0.6vh] flex gap-[2vw]">
        {now === null ? (
          <span className="text-muted">The plan of the day</span>
        ) : (
          <span>
            <strong className="tabular-nums">{timeOf(now)}</strong>{' '}
            {current
              ? `${current.name} until ${timeOf(current.to)}`
              : now < from
                ? `begins at ${timeOf(from)}`
                : 'the day is over'}
          </span>
        )}
      </p>
      <ol className="relative flex h-[5.4vh] overflow-hidden border-2 border-bark">
        {blocks.map((block) => (
          <li
            key={block.from}
            className={`grid min-w-0 content-center overflow-hidden border-r border-line px-1 text-[1.8vh] leading-tight ${block.kind === 'break' ? 'text-muted' : ''} ${block === current ? 'bg-ink text-paper' : 'bg-sheet'}`}
            style={{ width: `${at(block.to) - at(block.from)}%` }}
          >
            <span className="truncate">{block.name}</span>
            <span className="truncate tabular-nums">{timeOf(block.from)}</span>
          </li>
        ))}
        {now !== null && now >= from && now <= to && (
          <li aria-hidden className="absolute inset-y-0 w-1 bg-loud" style={{ left: `${at(now)}%` }} />
        )}
      </ol>
    </footer>
  );
}

interface CommonFaultProps {
  fault: WallState['fault'];
}

/** What goes wrong most often now. */
function CommonFault({ fault }: CommonFaultProps) {
  return (
    <section
      aria-labelledby="fault-title"
      className="flex min-h-0 flex-col gap-[1.5vh] border-l-2 border-line pl-[2vw]"
    >
      {fault ? (
        <>
          <h2 id="fault-title" className="text-[3.4vh]! leading-tight!">
            Right now most often: {fault.name.toLowerCase()}
          </h2>
          <p className="text-[2.6vh] text-muted">
            {fault.times} of the last {fault.outOf} unions. Good is: {fault.good}.
          </p>
          <div className="flex min-h-0 grow items-center justify-center gap-[3vw]">
            {fault.shown && <Fitted drawing={fault.shown.right} title={`${fault.name}, right`} caption="Right" />}
            {fault.shown && (
              <Fitted
                drawing={fault.shown.wrong}
                title={`${fault.name}, wrong: ${fault.shown.looks}`}
                caption="Wrong"
              />
            )}
            {fault.union && (
              <Fitted
                drawing={fault.union.side}
                title={`A union of this room, from the side: ${fault.name}`}
                caption="As it came out here"
                point={fault.union.point}
              />
            )}
            {fault.union && (
              <Fitted drawing={fault.union.lines} title="Its lines as they lie" caption="Where its lines met" />
            )}
          </div>
          {fault.shown && <p className="text-[2.6vh]">{fault.shown.looks}</p>}
          <p className="border-l-8 border-ink pl-4 text-[3.4vh] leading-snug font-bold">{fault.how}</p>
        </>
      ) : (
        <>
          <h2 id="fault-title" className="text-[3.4vh]!">
            Nothing goes wrong more than once
          </h2>
          <p className="text-[2.6vh] text-muted">What the room has most trouble with is drawn here when it shows.</p>
        </>
      )}
    </section>
  );
}

interface WallHeadProps {
  title: string;
  totals: WallState['totals'];
  connected: boolean;
}

/** How far the room is. */
function WallHead({ title, totals, connected }: WallHeadProps) {
  return (
    <header className="flex items-baseline gap-[2vw]">
      <h1 className="text-[4.6vh]! leading-tight!">{title}</h1>
      <p className="ml-auto text-right text-[3.4vh] whitespace-nowrap tabular-nums">
        <strong>{totals.unions}</strong> unions seen,{' '}
        <strong data-testid="ready">
          {totals.ready} of {totals.people}
        </strong>{' '}
        ready
        {totals.keepers > 0 && (
          <>
            , <strong>{totals.keepers}</strong> keepers judged
          </>
        )}
      </p>
      {!connected && (
        <p role="status" className="text-[2vh] font-bold">
          line lost, trying again
        </p>
      )}
    </header>
  );
}
