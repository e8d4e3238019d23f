'use client';

import { useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import type { RubricEdits } from '@/core/score/rubric/rubric-edits';
import type { RubricPreview } from '@/core/score/rubric/rubric-preview';
import { THRESHOLD_WORDS, type ThresholdId, USUAL_THRESHOLDS } from '@/core/methods/thresholds';
import { parseDecimal } from '@/core/units/decimal';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import type { EditedPoint } from './edited-point';
import { PointWordsForm } from './point-words-form';
import { PreviewWords } from './preview-words';
import type { PointWords } from '@/core/score/rubric/worded-points';

interface RubricEditorProps {
  workshopId: string;
  method: string;
  version: number;
  edits: RubricEdits;
  usualCap: number;
  thresholds: ThresholdId[];
  points: EditedPoint[];
  role: string;
}

const STAGES = { joined: 'once joined', wrapped: 'once wrapped', keeper: 'as a keeper' } as const;

/** Weights, caps, thresholds and words of a method, with what they would have made of past unions. */
export function RubricEditor({
  workshopId,
  method,
  version,
  edits: saved,
  usualCap,
  thresholds,
  points,
  role,
}: RubricEditorProps) {
  const { run, busy, problem, setProblem } = useSend();
  const [texts, setTexts] = useState(() => textsOf(saved, points, usualCap, thresholds));
  const [words, setWords] = useState(saved.words ?? {});
  const [open, setOpen] = useState<EditedPoint | null>(null);
  const [preview, setPreview] = useState<RubricPreview | null>(null);
  const [notice, setNotice] = useState('');
  const [changeId, setChangeId] = useState(() => uuid());
  // What was opened, or saved here since: what somebody else saves meanwhile must not be overwritten unseen.
  const [opened, setOpened] = useState(version);
  const mayChange = role === 'lead';
  const set = (name: string, text: string): void => {
    setTexts({ ...texts, [name]: text });
    setPreview(null);
    setNotice('');
  };
  const figure = (name: string): number => parseDecimal(texts[name] ?? '') ?? Number.NaN;
  const sum = points.reduce((total, { id }) => total + figure(`weights.${id}`), 0);
  const read = (): RubricEdits | null => {
    const wrong = Object.entries(texts).filter(
      ([name, text]) => parseDecimal(text) === null && !(name.startsWith('caps.') && text.trim() === ''),
    );
    if (wrong.length > 0) {
      setProblem({
        message: 'Some figures cannot be read. Enter them like 12 or 12,5.',
        fields: Object.fromEntries(wrong.map(([name]) => [name, 'Enter a figure.'])),
      });
      return null;
    }
    return {
      weights: Object.fromEntries(
        points
          .filter(({ id, weight }) => figure(`weights.${id}`) !== weight)
          .map(({ id }) => [id, figure(`weights.${id}`)]),
      ),
      caps: Object.fromEntries(
        points
          .filter(({ id }) => (texts[`caps.${id}`] ?? '').trim() !== '')
          .map(({ id }) => [id, figure(`caps.${id}`)]),
      ),
      thresholds: Object.fromEntries(
        thresholds.map((id) => [
          id,
          THRESHOLD_WORDS[id].unit === 'share' ? figure(`thresholds.${id}`) / 100 : figure(`thresholds.${id}`),
        ]),
      ),
      fatalCap: figure('fatalCap'),
      words,
    };
  };
  const showEffect = async (): Promise<void> => {
    const edits = read();
    if (!edits) return;
    const sent = await run<RubricPreview>('POST', `/api/rubrics/${method}/preview`, { edits });
    setPreview(sent?.ok ? sent.data : null);
  };
  const save = async (): Promise<void> => {
    const edits = read();
    if (!edits) return;
    const sent = await run<{ version: number }>('PUT', `/api/rubrics/${method}`, { edits, version: opened, changeId });
    if (!sent) return;
    setChangeId(uuid());
    if (!sent.ok) return;
    setOpened(sent.data.version);
    setNotice('Saved. It holds for what is scored from now on.');
  };
  const rescore = async (): Promise<void> => {
    const sent = await run<{ rescored: number }>('POST', `/api/workshops/${workshopId}/rescoring`);
    if (sent?.ok)
      setNotice(
        sent.data.rescored === 0
          ? 'All judgements of this workshop stand by this rubric already.'
          : `${sent.data.rescored} judgements scored again; their earlier scores are kept with them.`,
      );
  };
  const problemAt = (name: string): string | undefined => problem?.fields[name] ?? problem?.fields[`edits.${name}`];
  const input = (name: string, label: string, placeholder = ''): React.ReactElement => (
    <input
      className="bench-figure"
      inputMode="decimal"
      aria-label={label}
      aria-invalid={problemAt(name) !== undefined}
      disabled={!mayChange}
      value={texts[name] ?? ''}
      placeholder={placeholder}
      onChange={(event) => set(name, event.target.value)}
    />
  );
  const off = Number.isFinite(sum) ? Math.round((sum - 100) * 100) / 100 : Number.NaN;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <PointTable points={points} words={words} input={input} texts={texts} setOpen={setOpen} off={off} sum={sum} />
      <div className="flex flex-col gap-4 lg:sticky lg:top-4">
        <ThresholdFields input={input} thresholds={thresholds} problemAt={problemAt} />
        <PastUnions preview={preview} role={role} busy={busy} showEffect={showEffect} />
        <Problem>{problem?.message}</Problem>
        <p role="status" className={notice ? 'font-bold' : 'sr-only'}>
          {notice}
        </p>
        {mayChange ? (
          <RubricTools
            busy={busy}
            off={off}
            save={save}
            setTexts={setTexts}
            points={points}
            usualCap={usualCap}
            thresholds={thresholds}
            setWords={setWords}
            setPreview={setPreview}
            rescore={rescore}
          />
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

/** Everything that is a figure, as text, by the name its problems come back under. */
function textsOf(
  edits: RubricEdits,
  points: EditedPoint[],
  usualCap: number,
  thresholds: ThresholdId[],
): Record<string, string> {
  const round = (value: number): string => String(Math.round(value * 1000) / 1000);
  return {
    fatalCap: round(edits.fatalCap ?? usualCap),
    ...Object.fromEntries(
      points.flatMap(({ id, weight }) => [
        [`weights.${id}`, round(edits.weights?.[id] ?? weight)],
        [`caps.${id}`, edits.caps?.[id] === undefined ? '' : round(edits.caps[id]!)],
      ]),
    ),
    ...Object.fromEntries(
      thresholds.map((id) => {
        const value = edits.thresholds?.[id] ?? USUAL_THRESHOLDS[id];
        return [`thresholds.${id}`, round(THRESHOLD_WORDS[id].unit === 'share' ? value * 100 : value)];
      }),
    ),
  };
}

interface RubricToolsProps {
  busy: boolean;
  off: number;
  save: () => Promise<void>;
  setTexts: Dispatch<SetStateAction<Record<string, string>>>;
  points: RubricEditorProps['points'];
  usualCap: RubricEditorProps['usualCap'];
  thresholds: RubricEditorProps['thresholds'];
  setWords: Dispatch<SetStateAction<Record<string, PointWords>>>;
  setPreview: Dispatch<SetStateAction<RubricPreview | null>>;
  rescore: () => Promise<void>;
}

/** Saves, rescores, or goes back to the usual one. */
function RubricTools({
  busy,
  off,
  save,
  setTexts,
  points,
  usualCap,
  thresholds,
  setWords,
  setPreview,
  rescore,
}: RubricToolsProps) {
  return (
    <div className="flex flex-wrap gap-2">
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
          setTexts(textsOf({}, points, usualCap, thresholds));
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

interface PastUnionsProps {
  preview: RubricPreview | null;
  role: RubricEditorProps['role'];
  busy: boolean;
  showEffect: () => Promise<void>;
}

/** What the change would have meant. */
function PastUnions({ preview, role, busy, showEffect }: PastUnionsProps) {
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

interface ThresholdFieldsProps {
  input: (name: string, label: string, placeholder?: string) => React.ReactElement;
  thresholds: RubricEditorProps['thresholds'];
  problemAt: (name: string) => string | undefined;
}

/** Where grades change. */
function ThresholdFields({ input, thresholds, problemAt }: ThresholdFieldsProps) {
  return (
    <section className="board flex flex-col gap-2" aria-labelledby="thresholds-title">
      <h2 id="thresholds-title">Caps and thresholds</h2>
      <label className="flex items-center justify-between gap-2">
        A fatal fault holds the score at {input('fatalCap', 'Cap of a fatal fault')}
      </label>
      {thresholds.map((id) => (
        <label key={id} className="flex items-center justify-between gap-2">
          <span>
            {THRESHOLD_WORDS[id].name}, {THRESHOLD_WORDS[id].unit === 'share' ? '%' : 'mm'}
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

interface PointRowProps {
  words: Record<string, PointWords>;
  point: EditedPoint;
  input: (name: string, label: string, placeholder?: string) => React.ReactElement;
  texts: Record<string, string>;
  setOpen: Dispatch<SetStateAction<EditedPoint | null>>;
}

/** A point of the rubric: its weight and its cap. */
function PointRow({ words, point, input, texts, setOpen }: PointRowProps) {
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

interface PointTableProps {
  points: RubricEditorProps['points'];
  words: Record<string, PointWords>;
  input: (name: string, label: string, placeholder?: string) => React.ReactElement;
  texts: Record<string, string>;
  setOpen: Dispatch<SetStateAction<EditedPoint | null>>;
  off: number;
  sum: number;
}

/** All points, and what their weights come to. */
function PointTable({ points, words, input, texts, setOpen, off, sum }: PointTableProps) {
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
            <PointRow key={point.id} words={words} point={point} input={input} texts={texts} setOpen={setOpen} />
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
