'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { RubricEdits } from '@/core/score/rubric/rubric-edits';
import type { RubricPreview } from '@/core/score/rubric/rubric-preview';
import { type ThresholdId, USUAL_THRESHOLDS } from '@/core/methods/thresholds';
import { parseDecimal } from '@/core/units/decimal';
import type { LengthUnit } from '@/core/units/length';
import { useSend } from '@/ui/kit/form/use-send';
import type { EditedPoint } from './edited-point';
import { readThreshold, thresholdText } from './threshold-text';

export interface RubricEditorProps {
  workshopId: string;
  method: string;
  version: number;
  edits: RubricEdits;
  usualCap: number;
  thresholds: ThresholdId[];
  points: EditedPoint[];
  unit: LengthUnit;
  role: string;
  /** Unions of the workshop that stand as another rubric, or an earlier contact model, scored them. */
  scoredOtherwise: number;
  /** Stands under the points; what it hands over is put into them and tried, and nothing is saved. */
  underPoints?: (tryWeights: (weights: Readonly<Record<string, number>>) => void) => React.ReactNode;
}

/** Everything that is a figure, as text, by the name its problems come back under. */
export function textsOf(
  edits: RubricEdits,
  points: EditedPoint[],
  usualCap: number,
  thresholds: ThresholdId[],
  unit: LengthUnit,
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
      thresholds.map((id) => [
        `thresholds.${id}`,
        thresholdText(id, edits.thresholds?.[id] ?? USUAL_THRESHOLDS[id], unit),
      ]),
    ),
  };
}

/** A rubric as it is edited, until it is saved. */
export function useRubric(props: RubricEditorProps) {
  const { workshopId, method, version, edits: saved, ...shown } = props;
  const { usualCap, thresholds, points, unit, role } = shown;
  const { run, busy, problem, setProblem } = useSend();
  const [words, setWords] = useState(saved.words ?? {});
  const [open, setOpen] = useState<EditedPoint | null>(null);
  const [preview, setPreview] = useState<RubricPreview | null>(null);
  const [notice, setNotice] = useState('');
  const [changeId, setChangeId] = useState(() => uuid());
  // What was opened, or saved here since: what somebody else saves meanwhile must not be overwritten unseen.
  const [opened, setOpened] = useState(version);
  const mayChange = role === 'lead';
  const { texts, setTexts, set, sum, off, read } = useFigures({ saved, points, usualCap, thresholds, unit }, () => {
    setPreview(null);
    setNotice('');
  });
  const edits = (from = texts): RubricEdits | null => {
    const { edited, fields } = read(from);
    if (edited) return { ...edited, words };
    setProblem({ message: 'Some figures cannot be read. Enter them like 12 or 12,5.', fields });
    return null;
  };
  const showEffect = async (from = texts): Promise<void> => {
    const edited = edits(from);
    if (!edited) return;
    const sent = await run<RubricPreview>('POST', `/api/rubrics/${method}/preview`, { edits: edited });
    setPreview(sent?.ok ? sent.data : null);
  };
  const tryWeights = (weights: Readonly<Record<string, number>>): void => {
    const tried = { ...texts };
    for (const { id } of points) if (weights[id] !== undefined) tried[`weights.${id}`] = String(weights[id]);
    setTexts(tried);
    setNotice('These weights stand in the fields now. Nothing is saved until you save the rubric.');
    void showEffect(tried);
  };
  const save = async (): Promise<void> => {
    const edited = edits();
    if (!edited) return;
    const body = { edits: edited, version: opened, changeId };
    const sent = await run<{ version: number }>('PUT', `/api/rubrics/${method}`, body);
    if (!sent) return;
    setChangeId(uuid());
    if (!sent.ok) return;
    setOpened(sent.data.version);
    setNotice('Saved. It holds for what is scored from now on.');
  };
  const rescore = async (): Promise<void> => {
    const sent = await run<{ rescored: number }>('POST', `/api/workshops/${workshopId}/rescoring`);
    if (sent?.ok) setNotice(rescoredWords(sent.data.rescored));
  };
  const problemAt = (name: string): string | undefined => problem?.fields[name] ?? problem?.fields[`edits.${name}`];
  const input = figureFields({ problemAt, mayChange, texts, set });
  return {
    ...shown,
    busy,
    problem,
    texts,
    setTexts,
    words,
    setWords,
    open,
    setOpen,
    preview,
    setPreview,
    notice,
    setNotice,
    mayChange,
    sum,
    showEffect,
    tryWeights,
    save,
    rescore,
    problemAt,
    input,
    off,
  };
}

export type RubricEditing = ReturnType<typeof useRubric>;

/** The figures of a rubric as they are typed, what their weights come to, and what they say. */
function useFigures(
  {
    saved,
    points,
    usualCap,
    thresholds,
    unit,
  }: Pick<RubricEditorProps, 'points' | 'usualCap' | 'thresholds' | 'unit'> & {
    saved: RubricEdits;
  },
  onTyped: () => void,
) {
  const [texts, setTexts] = useState(() => textsOf(saved, points, usualCap, thresholds, unit));
  const figureIn =
    (from: Record<string, string>) =>
    (name: string): number =>
      parseDecimal(from[name] ?? '') ?? Number.NaN;
  const figure = figureIn(texts);
  const sum = points.reduce((total, { id }) => total + figure(`weights.${id}`), 0);
  const read = (
    from: Record<string, string>,
  ): { edited: Omit<RubricEdits, 'words'> | null; fields: Record<string, string> } => {
    const wrong = unreadable(from);
    if (wrong.length === 0)
      return { edited: editsOf(figureIn(from), from, { saved, points, thresholds, unit }), fields: {} };
    return { edited: null, fields: Object.fromEntries(wrong.map((name) => [name, 'Enter a figure.'])) };
  };
  return {
    texts,
    setTexts,
    set: (name: string, text: string): void => {
      setTexts({ ...texts, [name]: text });
      onTyped();
    },
    sum,
    off: Number.isFinite(sum) ? Math.round((sum - 100) * 100) / 100 : Number.NaN,
    read,
  };
}

/** Fields of the rubric, each by the name of its figure. */
function figureFields(typing: Omit<FigureFieldProps, 'name' | 'label' | 'placeholder'>) {
  return function figureField(name: string, label: string, placeholder = ''): React.ReactElement {
    return <FigureField {...typing} name={name} label={label} placeholder={placeholder} />;
  };
}

function rescoredWords(count: number): string {
  return count === 0
    ? 'All judgements of this workshop stand by this rubric already.'
    : count === 1
      ? 'One judgement scored again; its earlier score is kept with it.'
      : `${count} judgements scored again; their earlier scores are kept with them.`;
}

/** Names of the figures that are none; a cap may be left empty. */
function unreadable(texts: Record<string, string>): string[] {
  return Object.entries(texts).flatMap(([name, text]) =>
    parseDecimal(text) === null && !(name.startsWith('caps.') && text.trim() === '') ? [name] : [],
  );
}

/** What differs from the method's own rubric, as figures. */
function editsOf(
  figure: (name: string) => number,
  texts: Record<string, string>,
  {
    saved,
    points,
    thresholds,
    unit,
  }: Pick<RubricEditorProps, 'points' | 'thresholds' | 'unit'> & {
    saved: RubricEdits;
  },
): Omit<RubricEdits, 'words'> {
  return {
    weights: Object.fromEntries(
      points
        .filter(({ id, weight }) => figure(`weights.${id}`) !== weight)
        .map(({ id }) => [id, figure(`weights.${id}`)]),
    ),
    caps: Object.fromEntries(
      points.filter(({ id }) => (texts[`caps.${id}`] ?? '').trim() !== '').map(({ id }) => [id, figure(`caps.${id}`)]),
    ),
    thresholds: Object.fromEntries(
      thresholds.map((id) => {
        const name = `thresholds.${id}`;
        return [id, readThreshold(id, texts[name] ?? '', figure(name), unit, saved.thresholds?.[id])];
      }),
    ),
    fatalCap: figure('fatalCap'),
  };
}

interface FigureFieldProps {
  label: string;
  problemAt: (name: string) => string | undefined;
  name: string;
  mayChange: boolean;
  texts: Record<string, string>;
  placeholder: string;
  set: (name: string, text: string) => void;
}

/** A figure of the rubric. */
function FigureField({ label, problemAt, name, mayChange, texts, placeholder, set }: FigureFieldProps) {
  return (
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
}
