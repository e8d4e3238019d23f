import type { Method, Wood } from '../../methods/method';
import { chosen, type Choices } from '../../methods/school';
import type { Step } from '../../methods/step';
import { triggerWords } from '../../methods/timetable/trigger-words';
import { formatLength, type LengthUnit } from '../../units/length';
import { saidLength, written } from '../../units/prose';
import type { QuestionKind } from './question-kinds';

/** What one can say at once to a question, and where practitioners differ on it. */
export interface ShortAnswer {
  text: string;
  /** The answer of the day's school to each question that bears on it, and the others. */
  schools: { question: string; followed: string; others: string[] }[];
}

/** Which of a method's questions bear on what is asked. */
const BEARS: Record<QuestionKind, readonly string[]> = {
  'how-tight': ['turns', 'bud-cover', 'chip-cover', 'inlay-fix'],
  'how-deep': ['tongue', 'whip-length', 'sliver', 'slits', 'scion-end', 'outer-bark', 'rough-bark'],
  'which-side': ['t-way', 'cut-first', 'second-bud'],
  'come-off': ['wrap-off', 'tape-off', 'binding-off', 'cover-open', 'soft-bark'],
};

/**
 * The short answer to what is asked at a step of a method, from the method's own words, figures and days.
 *
 * @returns null where the method has no such step.
 * @example shortAnswer(whipAndTongue, {}, wood, 'mm', { step: 'bind', kind: 'come-off' }).text
 */
export function shortAnswer(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
  { step: id, kind }: { step: string; kind: QuestionKind },
): ShortAnswer | null {
  const technique = method.technique(choices, wood);
  const asked = technique.steps.find((step) => step.id === id);
  if (!asked) return null;
  const stepWith = (has: (step: Step) => boolean): Step => technique.steps.find(has) ?? asked;
  const seen = (step: Step): string => written(step.lookFor, unit);
  const text: Record<QuestionKind, () => string> = {
    'how-tight': () => seen(stepWith(({ wraps }) => wraps !== undefined)),
    'how-deep': () => [...figuresOf(asked, unit), seen(asked)].join(' '),
    'which-side': () => seen(asked.joins ? asked : stepWith(({ joins }) => joins === true)),
    'come-off': () => {
      const off = technique.aftercare.filter((task) => task.id === 'binding-off');
      if (off.length === 0) return 'Nothing of this union’s wrap has to be taken off.';
      return off
        .map(({ name, trigger, missed }) => {
          const due = `${written(name, unit)}, ${triggerWords(trigger, unit)}.`;
          return missed === null ? due : `${due} ${written(missed, unit)}`;
        })
        .join(' ');
    },
  };
  return { text: text[kind](), schools: schoolsOn(method, choices, kind, unit) };
}

function figuresOf({ figures }: Step, unit: LengthUnit): string[] {
  return figures.map(({ name, mm, range }) => {
    const within = range ? ` (${saidLength({ mm: range.from, to: range.to }, unit)})` : '';
    return `${name[0]!.toUpperCase()}${name.slice(1)} ${formatLength(mm, unit)}${within}.`;
  });
}

function schoolsOn(method: Method, choices: Choices, kind: QuestionKind, unit: LengthUnit): ShortAnswer['schools'] {
  return method.schools
    .filter(({ id }) => BEARS[kind].includes(id))
    .map((question) => {
      const followed = chosen(choices, question);
      const words = (id: string): string => written(question.options.find((option) => option.id === id)!.words, unit);
      return {
        question: question.question,
        followed: words(followed),
        others: question.options.filter(({ id }) => id !== followed).map(({ id }) => words(id)),
      };
    });
}
