'use client';

import { useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import { ANSWER_WORDS, ANSWERS, type Answer } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import type { GrowerPage, GrowerPlant } from '@/core/follow-up/grower-page';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';

interface PlantQuestionProps {
  token: string;
  plant: GrowerPlant;
  /** Its question is another than that of other plants, so that it is said here. */
  asks: boolean;
  /** How it was joined. */
  drawing: GrowerPage['drawings'][number] | null;
  today: string;
  madeOn: string;
  closed: boolean;
  onAnswered: () => void;
}

/** An answer as it is tapped, and saved at each tap; the last tap is the last to arrive. */
function useAnswer({ token, plant, onAnswered }: Pick<PlantQuestionProps, 'token' | 'plant' | 'onAnswered'>) {
  const [answer, setAnswer] = useState<Answer | null>(plant.answer);
  const [seenOn, setSeenOn] = useState(plant.seenOn ?? '');
  const [advice, setAdvice] = useState(plant.advice);
  const [state, setState] = useState<'idle' | 'saving' | 'saved'>('idle');
  const [problem, setProblem] = useState('');
  /** What is being sent keeps its id until it arrived, so that a retry is the same answer. */
  const pending = useRef<{ id: string; answer: Answer; note: string; seenOn: string } | null>(null);
  const turn = useRef(Promise.resolve());

  const deliver = async (wanted: Answer, words: string, seen: string): Promise<void> => {
    const now = pending.current;
    const same = now?.answer === wanted && now.note === words && now.seenOn === seen;
    const report = same ? now : { id: uuid(), answer: wanted, note: words, seenOn: seen };
    pending.current = report;
    setState('saving');
    setProblem('');
    const sent = await send<{ advice: string }>('PUT', `/api/r/${token}/answers/${report.id}`, {
      unionId: plant.unionId,
      answer: wanted,
      note: words,
      seenOn: seen,
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
    // Another answer was seen when it is tapped, unless a day is said for it.
    const seen = wanted === answer ? seenOn : '';
    if (wanted !== answer) setSeenOn('');
    setAnswer(wanted);
    turn.current = turn.current.then(() => deliver(wanted, words, seen));
  };
  return { answer, seenOn, setSeenOn, advice, state, problem, save };
}

/** One plant by its tag, four answers, a note; saved at each tap. */
export function PlantQuestion({ token, plant, asks, drawing, today, madeOn, closed, onAnswered }: PlantQuestionProps) {
  const { answer, seenOn, setSeenOn, advice, state, problem, save } = useAnswer({ token, plant, onAnswered });
  const [note, setNote] = useState(plant.note);
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
      {plant.place && <p className="mb-2 font-bold">Of this plant {plant.place}</p>}
      {asks && <p className="mb-2 text-lg font-bold">{plant.question}</p>}
      <WhereToLook drawing={drawing} />
      <p className="mb-2">
        <a className="inline-flex min-h-11 items-center" href={`/r/${token}/${plant.code}`}>
          Its life, and what it wants next
        </a>
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
      {answer && (
        <NoteField
          note={note}
          setNote={setNote}
          save={save}
          answer={answer}
          seenOn={seenOn || today}
          setSeenOn={setSeenOn}
          days={{ from: madeOn, to: today }}
        />
      )}
    </fieldset>
  );
}

/** How it was joined, for who has forgotten where the join is. */
function WhereToLook({ drawing: shown }: Pick<PlantQuestionProps, 'drawing'>) {
  if (!shown) return null;
  const { drawing, method } = shown;
  return (
    <details className="mb-2">
      <summary className="min-h-11 cursor-pointer py-2 text-sm">Where to look: how it was joined</summary>
      <UnionDrawing
        drawing={drawing}
        width={Math.min(150, (drawing.width * 300) / drawing.height)}
        title={`${method}, joined`}
      />
    </details>
  );
}

interface NoteFieldProps {
  note: string;
  setNote: Dispatch<SetStateAction<string>>;
  save: (wanted: Answer, words: string) => void;
  answer: 'yes' | 'not-sure' | 'dead' | 'not-found';
  seenOn: string;
  setSeenOn: (day: string) => void;
  days: { from: string; to: string };
}

/** Anything they noticed, and the day they saw it where that was not today. */
function NoteField({ note, setNote, save, answer, seenOn, setSeenOn, days }: NoteFieldProps) {
  return (
    <div className="grid gap-2">
      <label className="block text-sm font-bold">
        Seen on
        <input
          type="date"
          className="bench-input font-normal"
          value={seenOn}
          min={days.from}
          max={days.to}
          onChange={(event) => setSeenOn(event.target.value)}
        />
      </label>
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
    </div>
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
