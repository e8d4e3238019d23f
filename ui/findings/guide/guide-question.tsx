'use client';

import { useEffect, useRef } from 'react';
import type { CauseGroup, QuestionRow } from '@/core/findings/causes/cause-tables';
import { GuidePicture } from './guide-picture';

interface GuideQuestionProps {
  question: QuestionRow;
  group: CauseGroup;
  wordsOf: (code: string) => string;
  left: number;
  onAnswer: (code: string) => void;
  onPass: () => void;
}

/** Trouble from which on a union has to be cut open. */
const CUTTING = 4;

/** A question with its answers, each drawn with the place to look at. */
export function GuideQuestion({
  question: { question, effort, answers },
  group,
  wordsOf,
  left,
  onAnswer,
  onPass,
}: GuideQuestionProps) {
  const heading = useRef<HTMLHeadingElement>(null);
  const first = useRef(true);
  // The next question is read out where the one before was; the first one does not take the focus from the page.
  useEffect(() => {
    if (!first.current) heading.current?.focus();
    first.current = false;
  }, []);
  return (
    <section aria-labelledby="guide-question" className="mt-3">
      <h2 id="guide-question" ref={heading} tabIndex={-1} className="text-2xl!">
        {question}
      </h2>
      <p className="text-sm text-muted">
        {left === 1 ? 'The last question worth asking' : `${left} questions are worth asking`}
      </p>
      {effort >= CUTTING && (
        <p className="mt-1 border-l-4 border-loud pl-3">
          Only what is dead for sure is cut open. Clamp the piece or lay it on a board, cut away from hands and body,
          keep the other hand behind the blade, and wear a cut-proof glove on it.
        </p>
      )}
      <ul className="mt-2 grid gap-2">
        {answers.map(({ code }) => (
          <li key={code}>
            <button
              type="button"
              onClick={() => onAnswer(code)}
              className="flex w-full cursor-pointer items-center gap-3 border-2 border-line bg-sheet p-1 pr-3 text-left font-bold hover:border-ink"
            >
              <GuidePicture code={code} group={group} className="h-24 w-20 shrink-0" />
              <span>{wordsOf(code)}</span>
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="bench-button mt-2 w-full" onClick={onPass}>
        I cannot say
      </button>
    </section>
  );
}
