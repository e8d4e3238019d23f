'use client';

import Link from 'next/link';
import { Check } from 'lucide-react';
import type { UnionLife, WordedTask } from '@/core/aftercare/life/plant-life';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { deviceToday } from '@/ui/kit/device/device-clock';
import type { AtPlant } from './at-plant';
import { SecondChance } from './second-chance';
import { SeenForm } from './seen-form';
import { TieList } from './tie-list';
import { WhatHappened } from './what-happened';

/** What is due on a union and what comes next; each is marked with one tap, and what was seen is entered. */
export function UnionPanel({ life, at }: { life: UnionLife; at: AtPlant }) {
  const { code, mayChange, marks } = at;
  const mark = (task: Pick<WordedTask, 'task' | 'occurrence' | 'name'>) => (): void =>
    void marks.mark({
      marks: [{ unionId: life.unionId, task: task.task, occurrence: task.occurrence }],
      outcome: 'done',
      on: deviceToday(),
      reason: '',
      words: `${task.name}, ${code}`,
    });
  const open = (tasks: readonly WordedTask[]): WordedTask[] =>
    tasks.filter(({ task, occurrence }) => !marks.isMarked({ unionId: life.unionId, task, occurrence }));
  const now = open(life.now);
  return (
    <div>
      <GrowthWords life={life} unit={at.unit} />
      <BandWords life={life} unit={at.unit} />
      <SecondChance life={life} plantId={at.plantId} at={at} />
      <h3 className="font-bold">Due now</h3>
      {now.length === 0 ? (
        <p className="mb-3 text-muted">Nothing.</p>
      ) : (
        <ul className="mb-3 divide-y divide-line border-y border-line">
          {now.map((task) => (
            <DueRow key={`${task.task} ${task.occurrence}`} task={task} mayChange={mayChange} onDone={mark(task)} />
          ))}
        </ul>
      )}
      <h3 className="font-bold">Next</h3>
      <ul className="mb-3">
        {open(life.next).map((task) => (
          <li key={task.task} className="flex gap-3 py-0.5">
            <span className="w-28 shrink-0 text-muted tabular-nums">{formatDate(task.due.from)}</span>
            <span>
              {task.name}
              {task.movedBy === 0 ? '' : ` (${movedWords(task.movedBy)})`}
              {task.missed === '' ? '' : <span className="text-muted"> Otherwise: {task.missed}</span>}
            </span>
          </li>
        ))}
        {life.waiting.map(({ task, name, when }) => (
          <li key={task} className="flex gap-3 py-0.5">
            <span className="w-28 shrink-0 text-muted">{when}</span>
            <span>{name}</span>
          </li>
        ))}
        {life.next.length === 0 && life.waiting.length === 0 && <li className="text-muted">Nothing is planned.</li>}
      </ul>
      {open(life.missed).length > 0 && (
        <details className="mb-3">
          <summary className="min-h-11 cursor-pointer py-2 font-bold">Missed ({open(life.missed).length})</summary>
          <ul className="divide-y divide-line border-y border-line">
            {open(life.missed).map((task) => (
              <DueRow key={task.task} task={task} mayChange={mayChange} onDone={mark(task)} />
            ))}
          </ul>
        </details>
      )}
      <TieList life={life} at={at} />
      {life.state === 'dead' && (
        <p className="mb-2">
          <Link className="bench-button" href={`/plants/${at.code}/why?union=${life.unionId}`}>
            Why did it die?
          </Link>
        </p>
      )}
      {mayChange && life.state === 'living' && <WhatHappened life={life} at={at} />}
      {mayChange && (life.state === 'living' || life.state === 'dead') && <SeenForm life={life} at={at} />}
    </div>
  );
}

/** How fast it grows beside its kin, so that slow is a figure. */
function GrowthWords({ life: { growth }, unit }: { life: UnionLife; unit: LengthUnit }) {
  if (!growth) return null;
  return (
    <p className="mb-3">
      It grew <strong>{formatLength(growth.perWeek, unit)} a week</strong> when it was last measured
      {growth.kin
        ? `; ${counted(growth.kin.count, 'plant')} of its variety and method made ${formatLength(growth.kin.perWeek, unit)}.`
        : '; too few of its kind were measured to compare it with.'}
      {growth.slow && <strong> That is slow: look at water, suckers and the nurse growth.</strong>}
    </p>
  );
}

/** Whether it is too small: its last height among its like, and when it may bear. */
function BandWords({ life: { band, bearsIn, state }, unit }: { life: UnionLife; unit: LengthUnit }) {
  if (state !== 'living') return null;
  const like =
    band?.among === 'variety'
      ? 'of its variety on this stock'
      : 'of its kin, since too few of its variety were measured';
  return (
    <p className="mb-3">
      {band && (
        <>
          Its last height lies <strong>{PLACE_WORDS[band.place]}</strong>: the middle half of{' '}
          {counted(band.plants, 'plant')} {like}, made the same way, stood at {formatLength(band.low, unit)} to{' '}
          {formatLength(band.high, unit)} at that age.{' '}
        </>
      )}
      It may bear from {bearsIn} on.
    </p>
  );
}

const PLACE_WORDS = { below: 'below its like', within: 'among its like', above: 'above its like' } as const;

interface DueRowProps {
  task: WordedTask;
  mayChange: boolean;
  onDone: () => void;
}

function DueRow({ task, mayChange, onDone }: DueRowProps) {
  return (
    <li
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 py-2 ${task.alarm ? 'border-l-8 border-loud pl-3' : ''}`}
    >
      <div className="grow basis-60">
        <p className={`font-bold ${task.alarm ? 'text-loud' : ''}`}>{task.name}</p>
        <p className={`text-sm ${task.late ? 'font-bold' : 'text-muted'}`}>
          {task.alarm
            ? `Its last day was ${formatDate(task.latest!)}.`
            : `${task.late ? 'Was due by' : 'Until'} ${formatDate(task.due.to)}.`}
          {task.movedBy === 0 ? '' : ` ${movedWords(task.movedBy)}.`}
          {task.missed === '' ? '' : ` Otherwise: ${task.missed}`}
        </p>
      </div>
      {mayChange && (
        <button
          type="button"
          className="bench-button"
          data-weight="main"
          aria-label={`Done: ${task.name}`}
          onClick={onDone}
        >
          <Check aria-hidden className="size-4" /> Done
        </button>
      )}
    </li>
  );
}

const movedWords = (days: number): string =>
  `${days > 0 ? 'cold' : 'warm'} days moved it by ${counted(Math.abs(days), 'day')}`;
