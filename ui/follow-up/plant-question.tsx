'use client';

import { useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import { ANSWER_WORDS, ANSWERS, type Answer } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import type { GrowerPlant } from '@/core/follow-up/grower-page';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';

interface PlantQuestionProps {
  token: string;
  plant: GrowerPlant;
  closed: boolean;
  onAnswered: () => void;
}

/** One plant by its tag, four answers, a note; saved at each tap. */
export function PlantQuestion({ token, plant, closed, onAnswered }: PlantQuestionProps) {
  const [answer, setAnswer] = useState<Answer | null>(plant.answer);
  const [note, setNote] = useState(plant.note);
  const [advice, setAdvice] = useState(plant.advice);
  const [state, setState] = useState<'idle' | 'saving' | 'saved'>('idle');
  const [problem, setProblem] = useState('');
  /** What is being sent keeps its id until it arrived, so that a retry is the same answer. */
  const pending = useRef<{ id: string; answer: Answer; note: string } | null>(null);
  const turn = useRef(Promise.resolve());

  const deliver = async (wanted: Answer, words: string): Promise<void> => {
    const same = pending.current?.answer === wanted && pending.current.note === words;
    const report = same ? pending.current! : { id: uuid(), answer: wanted, note: words };
    pending.current = report;
    setState('saving');
    setProblem('');
    const sent = await send<{ advice: string }>('PUT', `/api/r/${token}/answers/${report.id}`, {
      unionId: plant.unionId,
      answer: wanted,
      note: words,
    });
    // A later tap has taken over; its own answer will be shown.
    if (pending.current !== report) return;
    if (!sent.ok) {
      setState('idle');
      setProblem(sent.message);
      return;
    }
    pending.current = null;
    setState('saved');
    setAdvice(sent.data.advice);
    onAnswered();
  };
  /** One after the other, so that the last tap is the last to arrive. */
  const save = (wanted: Answer, words: string): void => {
    setAnswer(wanted);
    turn.current = turn.current.then(() => deliver(wanted, words));
  };
  return (
    <fieldset
      className="border-2 border-ink p-3"
      style={{ borderRadius: '2px 16px 2px 16px' }}
      disabled={closed}
      data-plant={plant.code}
    >
      <legend className="px-1 text-2xl font-bold">{formatCode(plant.code)}</legend>
      <p className="mb-2 flex flex-wrap items-center gap-2">
        <span className="font-bold">{plant.variety}</span> on {plant.stockType}{' '}
        <RibbonStrip id={plant.ribbon} showName />
      </p>
      <AnswerChoices plant={plant} answer={answer} save={save} note={note} />
      <Problem>{problem}</Problem>
      {problem && answer && (
        <button type="button" className="bench-button mt-2" onClick={() => save(answer, note)}>
          Try again
        </button>
      )}
      <p role="status" className="mt-1 min-h-6 text-sm">
        {state === 'saving' ? 'Saving' : state === 'saved' ? 'Saved' : ''}
      </p>
      {advice && (
        <p className="mb-2 border-l-4 border-life pl-3">
          <strong>This week:</strong> {advice}
        </p>
      )}
      {answer && <NoteField note={note} setNote={setNote} save={save} answer={answer} />}
    </fieldset>
  );
}

interface NoteFieldProps {
  note: string;
  setNote: Dispatch<SetStateAction<string>>;
  save: (wanted: Answer, words: string) => void;
  answer: 'yes' | 'not-sure' | 'dead' | 'not-found';
}

/** Anything they noticed. */
function NoteField({ note, setNote, save, answer }: NoteFieldProps) {
  return (
    <label className="block text-sm font-bold">
      Anything you noticed
      <span className="flex gap-2">
        <input
          className="bench-input font-normal"
          value={note}
          maxLength={500}
          onChange={(event) => setNote(event.target.value)}
        />
        <button type="button" className="bench-button" onClick={() => save(answer, note)}>
          Keep
        </button>
      </span>
    </label>
  );
}

interface AnswerChoicesProps {
  plant: PlantQuestionProps['plant'];
  answer: 'yes' | 'not-sure' | 'dead' | 'not-found' | null;
  save: (wanted: Answer, words: string) => void;
  note: string;
}

/** The answers there are. */
function AnswerChoices({ plant, answer, save, note }: AnswerChoicesProps) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {ANSWERS.map((choice) => (
        <label
          key={choice}
          className="flex min-h-14 cursor-pointer items-center justify-center border-2 border-line bg-sheet px-2 text-center text-lg font-bold has-checked:border-ink has-checked:bg-ink has-checked:text-paper has-disabled:cursor-default has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink"
        >
          <input
            type="radio"
            name={`answer-${plant.unionId}`}
            className="sr-only"
            checked={answer === choice}
            onChange={() => save(choice, note)}
          />
          {ANSWER_WORDS[choice]}
        </label>
      ))}
    </div>
  );
}
