'use client';

import { useEffect, useRef, useState } from 'react';
import type { Method } from '@/core/methods/method';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { Attempts } from './attempts';
import { onBenchKey } from './bench-keys';
import { BenchFoot } from './bench-foot';
import { BenchHead } from './bench-head';
import { SeatStrip } from './seat-strip';
import { SectionAtLevel } from './section-at-level';
import { UnionCounters } from './union-counters';
import { UnionStage } from './union-stage';
import type { LiveBench } from './use-bench';
import { type Scoring, useScoring } from './use-scoring';
import { Verdict } from './verdict';

interface BenchProps {
  live: LiveBench;
  method: Method;
  seatId: string;
  onSeat: (seatId: string) => void;
  onRoom: () => void;
  /** Whom to see next and why, or null when nobody presses. */
  next: { seatId: string; number: number; reason: string } | null;
  /** Entering sheets that were filled in on paper: asks when. */
  fromPaper?: boolean;
}

/** The scoring bench: one union after the other, by keyboard, caliper, number pad or touch. What is saved is kept on the device first. */
export function Bench({ live, method, seatId, onSeat, onRoom, next, fromPaper = false }: BenchProps) {
  const { state } = live;
  const scoring = useScoring({ live, method, seatId, onSeat, fromPaper });
  const { seat, own, read, drafts, told, savedCount } = scoring;
  const [caution, setCaution] = useState(false);
  const form = useRef<HTMLFormElement>(null);
  useFirstFigure(form, `${seatId} ${savedCount}`);
  useEffect(() => {
    if (told.focus) form.current?.querySelector<HTMLInputElement>(`[name="${told.focus}"]`)?.focus();
  }, [told]);
  const actions = { ...scoring, showCaution: () => setCaution(true) };
  const points = read.shown.grades.map(({ point }) => point);
  return (
    <div
      id="bench"
      data-open
      tabIndex={-1}
      onKeyDown={(event) => onBenchKey(event, points, actions)}
      className="grid grid-cols-[minmax(0,1fr)] gap-x-5 gap-y-3 outline-none max-lg:pb-56 lg:grid-cols-[9.6rem_minmax(0,1fr)_21.5rem]"
    >
      <div className="flex gap-2 lg:row-span-2 lg:flex-col">
        {!fromPaper && (
          <button type="button" className="bench-button px-3" onClick={onRoom}>
            The room
          </button>
        )}
        <SeatStrip
          state={state}
          open={seat.id}
          drafts={Object.keys(drafts)}
          onOpen={(id) => {
            scoring.tell({ notice: told.notice, problem: null });
            onSeat(id);
          }}
        />
      </div>
      <form
        ref={form}
        onSubmit={(event) => {
          event.preventDefault();
          void scoring.save('next');
        }}
        noValidate
        className="contents"
      >
        <BenchPicture scoring={scoring} unit={state.unit} fromPaper={fromPaper}>
          <BenchHead scoring={scoring} state={state} method={method} fromPaper={fromPaper} />
        </BenchPicture>
        <BenchFoot
          scoring={scoring}
          method={method}
          fromPaper={fromPaper}
          next={next}
          onSeat={onSeat}
          onCaution={() => setCaution(true)}
        />
      </form>
      <div className="order-5 lg:order-none lg:col-span-3">
        <Attempts
          workshopId={state.workshop.id}
          seatNumber={seat.number}
          unions={own}
          mayChange
          onCorrect={(union, judgement) => {
            scoring.correct(union, judgement);
            form.current?.scrollIntoView({ block: 'nearest' });
          }}
        />
      </div>
      <SheetDialog title="Knives" description="Say it before the next cut." open={caution} onOpenChange={setCaution}>
        <p className="text-lg">{method.knifeCaution}</p>
        <p>
          If a cut is not safe, stop it: press S or tap “Stopped for safety”. It is a fatal mark for this union and says
          nothing about the next.
        </p>
      </SheetDialog>
    </div>
  );
}

/** The union drawn, with what is said of it; between the two stands what is entered. */
function BenchPicture({
  scoring,
  unit,
  fromPaper,
  children,
}: {
  scoring: Scoring;
  unit: LiveBench['state']['unit'];
  fromPaper: boolean;
  children: React.ReactNode;
}) {
  const { seat, entry, read, compared, called, savedCount } = scoring;
  const [wanted, setLevel] = useState(0);
  const { assessment, grades } = read.shown;
  const { reach, section } = assessment;
  const level = Math.max(-reach, Math.min(reach, wanted));
  const strokes = <UnionCounters key={`${seat.id} ${savedCount}`} strokes={entry.strokes} onStroke={scoring.stroke} />;
  return (
    <>
      <div className="order-2 min-w-0 lg:order-none">
        <UnionStage
          assessment={assessment}
          unit={unit}
          ghost={read.corrections.find(({ ghost }) => ghost !== undefined)?.ghost ?? null}
          assumed={!read.judged}
          level={level}
          onMark={scoring.mark}
          points={grades.map(({ point, grade }) => ({ point, grade, marked: entry.marks[point.id] !== undefined }))}
          below={!fromPaper && <div className="mt-2 w-full max-lg:hidden">{strokes}</div>}
        />
      </div>
      {children}
      <div className="order-3 flex min-w-0 flex-wrap items-start gap-x-5 gap-y-2 sm:flex-nowrap lg:order-none">
        <Verdict
          judged={read.judged}
          best={read.best}
          corrections={read.corrections}
          outside={read.outside}
          last={compared}
          called={called}
          unit={unit}
        />
        {section && <SectionAtLevel section={section} reach={reach} unit={unit} level={level} onLevel={setLevel} />}
      </div>
    </>
  );
}

/** The first figure still to be entered takes the focus, so that a number can be typed at once; not on a phone, whose keys would cover it. */
function useFirstFigure(form: React.RefObject<HTMLFormElement | null>, opened: string): void {
  useEffect(() => {
    const inputs = [...(form.current?.querySelectorAll<HTMLInputElement>('[data-first]') ?? [])];
    if (window.matchMedia('(min-width: 641px)').matches)
      (inputs.find((input) => input.value === '') ?? inputs[0])?.focus();
  }, [form, opened]);
}
