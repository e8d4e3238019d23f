'use client';
import { THRESHOLD_WORDS } from '@/core/methods/thresholds';
import { Problem } from '@/ui/kit/form/problem';
import type { EditedPoint } from './edited-point';
import { PointWordsForm } from './point-words-form';
import { thresholdUnit } from './threshold-text';
import { PreviewWords } from './preview-words';
import { useRubric, type RubricEditing, type RubricEditorProps, textsOf } from './use-rubric';

const STAGES = { joined: 'once joined', wrapped: 'once wrapped', keeper: 'as a keeper' } as const;

/** Weights, caps, thresholds and words of a method, with what they would have made of past unions. */
export function RubricEditor(props: RubricEditorProps) {
  const editing = useRubric(props);
  const { problem, words, setWords, open, setOpen, setPreview, notice, setNotice, mayChange } = editing;

  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
        <PointTable editing={editing} />
        {props.underPoints?.(editing.tryWeights)}
      </div>
      <div className="flex flex-col gap-4 lg:sticky lg:top-4">
        <ThresholdFields editing={editing} />
        <PastUnions editing={editing} />
        <Problem>{problem?.message}</Problem>
        <p role="status" className={notice ? 'font-bold' : 'sr-only'}>
          {notice}
        </p>
        {mayChange ? (
          <RubricTools editing={editing} />
        ) : (
          <p className="text-sm text-muted">Only the lead changes a rubric.</p>
        )}
      </div>
      {open && (
        <PointWordsForm
          key={open.id}
          point={open}
          words={words[open.id] ?? {}}
          mayChange={mayChange}
          onClose={() => setOpen(null)}
          onChange={(next) => {
            setWords(
              next
                ? { ...words, [open.id]: next }
                : Object.fromEntries(Object.entries(words).filter(([id]) => id !== open.id)),
            );
            setPreview(null);
            setNotice('');
            setOpen(null);
          }}
        />
      )}
    </div>
  );
}

/** Saves, rescores, or goes back to the usual one. */
function RubricTools({ editing }: { editing: RubricEditing }) {
  const { busy, off, save, setTexts, points, usualCap, thresholds, unit, setWords, setPreview, rescore } = editing;
  return (
    <div className="flex flex-wrap gap-2">
      <ScoredOtherwise count={editing.scoredOtherwise} />
      <button
        type="button"
        className="bench-button"
        data-weight="main"
        disabled={busy || off !== 0}
        onClick={() => void save()}
      >
        Save the rubric
      </button>
      <button
        type="button"
        className="bench-button"
        disabled={busy}
        onClick={() => {
          setTexts(textsOf({}, points, usualCap, thresholds, unit));
          setWords({});
          setPreview(null);
        }}
      >
        Back to the method&apos;s own
      </button>
      <button type="button" className="bench-button" disabled={busy} onClick={() => void rescore()}>
        Score this workshop again by it
      </button>
    </div>
  );
}

/** That there is something to score again; nothing where all stand by today's. */
function ScoredOtherwise({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <p className="w-full text-sm">
      <strong className="tabular-nums">
        {count} {count === 1 ? 'union' : 'unions'}
      </strong>{' '}
      of this workshop {count === 1 ? 'stands as it was' : 'stand as they were'} scored before: by another rubric, or
      when contact was read otherwise. They stay so until they are scored again.
    </p>
  );
}

/** What the change would have meant. */
function PastUnions({ editing }: { editing: RubricEditing }) {
  const { preview, role, busy, showEffect } = editing;
  return (
    <section className="board flex flex-col gap-2" aria-labelledby="past-title">
      <h2 id="past-title">What past unions would have scored</h2>
      {preview ? (
        <PreviewWords preview={preview} />
      ) : (
        <p className="text-sm text-muted">
          Try it before it counts: past practice unions are scored again by what stands here, and nothing is saved.
        </p>
      )}
      {role !== 'viewer' && (
        <button type="button" className="bench-button self-start" disabled={busy} onClick={() => void showEffect()}>
          Try it on past unions
        </button>
      )}
    </section>
  );
}

/** Where grades change. */
function ThresholdFields({ editing }: { editing: RubricEditing }) {
  const { input, thresholds, unit, problemAt } = editing;
  return (
    <section className="board flex flex-col gap-2" aria-labelledby="thresholds-title">
      <h2 id="thresholds-title">Caps and thresholds</h2>
      <label className="flex items-center justify-between gap-2">
        A fatal fault holds the score at {input('fatalCap', 'Cap of a fatal fault')}
      </label>
      {thresholds.map((id) => (
        <label key={id} className="flex items-center justify-between gap-2">
          <span>
            {THRESHOLD_WORDS[id].name}, {thresholdUnit(id, unit)}
            {problemAt(`thresholds.${id}`) && (
              <span className="block text-sm font-bold text-loud">{problemAt(`thresholds.${id}`)}</span>
            )}
          </span>
          {input(`thresholds.${id}`, THRESHOLD_WORDS[id].name)}
        </label>
      ))}
    </section>
  );
}

/** A point of the rubric: its weight and its cap. */
function PointRow({ point, editing }: { point: EditedPoint; editing: RubricEditing }) {
  const { words, input, texts, setOpen } = editing;
  return (
    <tr>
      <td>
        <strong>{words[point.id]?.name ?? point.name}</strong>{' '}
        <span className="text-sm text-muted">{words[point.id]?.good ?? point.good}</span>
      </td>
      <td className="text-sm whitespace-nowrap">
        {STAGES[point.stage]}
        {point.measured && ', measured'}
      </td>
      <td className="text-right">{input(`weights.${point.id}`, `Weight of ${point.name}`)}</td>
      <td className="text-right">
        {point.faults.some(({ grade }) => grade === 'fatal') ? (
          input(`caps.${point.id}`, `Cap of ${point.name}`, texts.fatalCap)
        ) : (
          <span className="text-muted">none is fatal</span>
        )}
      </td>
      <td>
        <button
          type="button"
          className="min-h-9 cursor-pointer font-bold underline underline-offset-4"
          onClick={() => setOpen(point)}
        >
          Words<span className="sr-only"> of {point.name}</span>
        </button>
      </td>
    </tr>
  );
}

/** All points, and what their weights come to. */
function PointTable({ editing }: { editing: RubricEditing }) {
  const { points, off, sum } = editing;
  return (
    <div className="relative min-w-0 overflow-x-auto">
      <table className="bench-table">
        <thead>
          <tr>
            <th>Point</th>
            <th>Asked</th>
            <th className="text-right">Weight</th>
            <th className="text-right">Cap if fatal</th>
            <th>
              <span className="sr-only">Words</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {points.map((point) => (
            <PointRow key={point.id} point={point} editing={editing} />
          ))}
          <tr>
            <td colSpan={2} className="font-bold">
              Together
            </td>
            <td className={`pr-3 text-right font-bold tabular-nums ${off === 0 ? '' : 'text-loud'}`} data-testid="sum">
              {Number.isFinite(sum) ? Math.round(sum * 100) / 100 : '?'}
            </td>
            <td colSpan={2} className="text-sm">
              {off === 0
                ? 'as it should be'
                : Number.isFinite(off)
                  ? `${off > 0 ? `${off} too many` : `${-off} too few`}: they have to add up to 100`
                  : 'a weight cannot be read'}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  );
}
