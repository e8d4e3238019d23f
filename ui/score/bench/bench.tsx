'use client';

import { useEffect, useRef, useState } from 'react';
import { keeperSample } from '@/core/score/readiness/keeper-sample';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { Attempts } from './attempts';
import { onBenchKey } from './bench-keys';
import { BenchFoot } from './bench-foot';
import { BenchHead } from './bench-head';
import { benchMethod, type BenchState, judgedKeeper } from './bench-data';
import { Foretelling } from './foretelling';
import { KeeperStrip } from './keeper-strip';
import { SeatStrip } from './seat-strip';
import { SectionAtLevel } from './section-at-level';
import { UnionCounters } from './union-counters';
import { UnionStage } from './union-stage';
import type { LiveBench } from './use-bench';
import { type Scoring, useScoring } from './use-scoring';
import { Verdict } from './verdict';

interface BenchProps {
  live: LiveBench;
  seatId: string;
  /** The keeper that is judged; null for practice. */
  keeperId: string | null;
  onOpen: (seatId: string, keeperId?: string | null) => void;
  onRoom: () => void;
  /** Whom to see next and why, or null when nobody presses. */
  next: { seatId: string; number: number; reason: string } | null;
  /** Entering sheets that were filled in on paper: asks when. */
  fromPaper?: boolean;
}

/** The scoring bench: one union after the other, by keyboard, caliper, number pad or touch. What is saved is kept on the device first. */
export function Bench({ live, seatId, keeperId, onOpen, onRoom, next, fromPaper = false }: BenchProps) {
  const { state } = live;
  const scoring = useScoring({ live, seatId, keeperId, onOpen, fromPaper });
  const { seat, keeper, method, own, read, told, savedCount } = scoring;
  const judged = keeper && judgedKeeper(state, keeper.unionId);
  const [caution, setCaution] = useState(false);
  const form = useRef<HTMLFormElement>(null);
  useFirstFigure(form, `${scoring.draftKey} ${method.id} ${savedCount}`);
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
      <WayAbout scoring={scoring} state={state} fromPaper={fromPaper} onOpen={onOpen} onRoom={onRoom} />
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
          <BenchHead scoring={scoring} state={state} fromPaper={fromPaper} />
        </BenchPicture>
        <BenchFoot
          scoring={scoring}
          fromPaper={fromPaper}
          next={next}
          onSeat={onOpen}
          onCaution={() => setCaution(true)}
        />
      </form>
      <div className="order-5 lg:order-6 lg:col-span-3">
        <Attempts
          workshopId={state.workshop.id}
          title={judged ? `Judged of ${scoring.called}` : `Attempts of seat ${seat.number}`}
          unions={judged ? [judged] : keeper ? [] : own}
          calledOf={(union) => (judged ? scoring.called : `${seat.number}-${union.number}`)}
          nameOf={state.methods.length > 1 ? (id) => benchMethod(state, id).name : null}
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

/** The way about: back to the room, to another seat, and between a seat's practice and its keepers. */
function WayAbout({
  scoring,
  state,
  fromPaper,
  onOpen,
  onRoom,
}: { scoring: Scoring; state: BenchState; fromPaper: boolean } & Pick<BenchProps, 'onOpen' | 'onRoom'>) {
  const { seat, keeper, drafts, told } = scoring;
  const open = (seatId: string, keeperId: string | null = null): void => {
    scoring.tell({ notice: told.notice, problem: null });
    onOpen(seatId, keeperId);
  };
  return (
    <>
      <div className="flex gap-2 lg:row-span-4 lg:flex-col">
        {!fromPaper && (
          <button type="button" className="bench-button px-3" onClick={onRoom}>
            The room
          </button>
        )}
        <SeatStrip state={state} open={seat.id} drafts={Object.keys(drafts)} onOpen={open} />
      </div>
      {!fromPaper && (
        <div className="min-w-0 empty:hidden lg:col-span-2 lg:col-start-2">
          <KeeperStrip
            state={state}
            seatId={seat.id}
            open={keeper?.unionId ?? null}
            sample={keeperSample(state.keepers, scoring.sample)}
            onOpen={(id) => open(seat.id, id)}
          />
        </div>
      )}
    </>
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
  const { keeper, entry, read, compared, called, savedCount, draftKey } = scoring;
  const [wanted, setLevel] = useState(0);
  const { assessment, grades } = read.shown;
  const { reach, section } = assessment;
  const level = Math.max(-reach, Math.min(reach, wanted));
  const strokes = (
    <UnionCounters
      key={`${draftKey} ${savedCount}`}
      strokes={entry.strokes}
      limit={scoring.strokeLimit}
      onStroke={scoring.stroke}
      spoiled={scoring.spoiled}
    />
  );
  return (
    <>
      <div className="order-2 min-w-0 lg:order-1 lg:row-span-2">
        <UnionStage
          assessment={assessment}
          unit={unit}
          ghost={read.corrections.find(({ ghost }) => ghost !== undefined)?.ghost ?? null}
          assumed={!read.judged}
          level={level}
          onMark={scoring.mark}
          points={grades.map(({ point, grade }) => ({ point, grade, marked: entry.marks[point.id] !== undefined }))}
          across={
            section && <SectionAtLevel section={section} reach={reach} unit={unit} level={level} onLevel={setLevel} />
          }
          below={!fromPaper && <div className="mt-2 w-full max-lg:hidden">{strokes}</div>}
        />
      </div>
      {children}
      <div className="order-3 flex min-w-0 flex-wrap items-start gap-x-5 gap-y-2 sm:flex-nowrap lg:order-4">
        <div className="flex min-w-0 grow flex-col gap-3">
          <Verdict
            judged={read.judged}
            best={read.best}
            corrections={read.corrections}
            outside={read.outside}
            last={compared}
            called={called}
            unit={unit}
          />
          {keeper && <Foretelling entry={entry} onForetell={scoring.foretell} />}
        </div>
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
