'use client';

import type { CauseTables } from '@/core/findings/causes/cause-tables';
import { WeightField } from './cause-rows';

interface QuestionRowsProps {
  tables: CauseTables;
  mayChange: boolean;
  onChange: (tables: CauseTables) => void;
}

/** How much trouble each question of the guide is, and how often each of its answers is found when it is asked at all. */
export function QuestionRows({ tables, mayChange, onChange }: QuestionRowsProps) {
  const wordsOf = (code: string): string => tables.evidence.find((row) => row.code === code)?.words ?? code;
  const change = (
    question: string,
    edit: (row: CauseTables['questions'][number]) => CauseTables['questions'][number],
  ): void =>
    onChange({ ...tables, questions: tables.questions.map((row) => (row.question === question ? edit(row) : row)) });
  return (
    <details className="mt-4">
      <summary className="min-h-11 cursor-pointer py-2 text-lg font-bold">The guide’s questions</summary>
      <p className="max-w-prose text-sm text-muted">
        Trouble: 1 is a look, 4 is cutting open. How often an answer is found adds up to 1 for each question.
      </p>
      <ul className="grid gap-3 md:grid-cols-2">
        {tables.questions.map((row) => (
          <li key={row.question} className="board">
            <p className="font-bold">{row.question}</p>
            <div className="grid grid-cols-2 gap-2 md:grid-cols-3">
              <WeightField
                label="Trouble"
                value={row.effort}
                mayChange={mayChange}
                onChange={(effort) => change(row.question, (known) => ({ ...known, effort }))}
              />
              {row.answers.map(({ code, found }) => (
                <WeightField
                  key={code}
                  label={wordsOf(code)}
                  value={found}
                  mayChange={mayChange}
                  onChange={(value) =>
                    change(row.question, (known) => ({
                      ...known,
                      answers: known.answers.map((answer) =>
                        answer.code === code ? { ...answer, found: value } : answer,
                      ),
                    }))
                  }
                />
              ))}
            </div>
            <SumOfFound answers={row.answers} />
          </li>
        ))}
      </ul>
    </details>
  );
}

function SumOfFound({ answers }: Pick<CauseTables['questions'][number], 'answers'>) {
  const sum = answers.reduce((all, { found }) => all + found, 0);
  return Math.abs(sum - 1) < 1e-6 ? null : (
    <p className="mt-1 font-bold text-loud">These add up to {Number(sum.toFixed(4))}, not to 1.</p>
  );
}
