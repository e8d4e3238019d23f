import type { Choices, SchoolQuestion } from '@/core/methods/school';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { SCHOOL_SUBJECTS } from './school-subjects';

interface OtherSchoolsProps {
  /** Id of the form the answers belong to. */
  form: string;
  questions: readonly SchoolQuestion[];
  choices: Choices;
  unit: LengthUnit;
}

/** Where practitioners differ, tried out on a method's page; open as soon as one answer is not the usual one. */
export function OtherSchools({ form, questions, choices, unit }: OtherSchoolsProps) {
  const others = questions.filter((question) => choices[question.id] !== question.options[0]!.id).length;
  if (questions.length === 0) return null;
  return (
    <details open={others > 0} className="mb-4 border-y border-line py-1">
      <summary className="min-h-9 cursor-pointer py-1 font-bold">
        Where schools differ: {questions.length} questions
        {others > 0 && <span className="font-normal text-muted">, {others} answered otherwise than is usual</span>}
      </summary>
      {others > 0 && (
        <p className="max-w-prose text-sm text-muted">
          The facts above are those of the usual answers. Steps, points, materials and aftercare below follow yours.
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-3 pt-1 pb-2 sm:grid-cols-2 lg:grid-cols-4">
        {SCHOOL_SUBJECTS.map(([about, title]) => (
          <fieldset key={about} className="flex flex-col gap-2">
            <legend className="text-lg font-bold">{title}</legend>
            {questions
              .filter((question) => question.about === about)
              .map((question) => (
                <label key={question.id} className="text-sm font-bold">
                  {question.question}
                  <select
                    form={form}
                    name={question.id}
                    defaultValue={choices[question.id]}
                    className="bench-input font-normal"
                  >
                    {question.options.map((option) => (
                      <option key={option.id} value={option.id}>
                        {written(option.words, unit)}
                      </option>
                    ))}
                  </select>
                  <span className="font-normal text-muted">
                    {written(question.options.find((option) => option.id === choices[question.id])!.reason, unit)}
                  </span>
                </label>
              ))}
          </fieldset>
        ))}
      </div>
      <button type="submit" form={form} className="bench-button mb-2" data-weight="main">
        Draw and tell it so
      </button>
    </details>
  );
}
