import type { Answer, Milestone } from '../methods/milestones';
import type { AftercareTask } from '../methods/timetable/aftercare-task';
import { triggerWords } from '../methods/timetable/trigger-words';

interface Advice {
  words?: string;
  /** Tasks of the method's aftercare that are said after the words, where it has them. */
  tasks?: string[];
  /** Said where the method has none of them. */
  otherwise?: string;
}

/*
 * What a person can do this week about a union, by what they saw: what the method's own timetable asks for then,
 * and what the trade handbook says of looking again, cutting back and keeping the stock.
 */
const ADVICE: Record<Milestone, Partial<Record<Answer, Advice>>> = {
  healed: {
    yes: {
      tasks: ['reseal', 'suckers', 'low-branches'],
      otherwise: 'It holds. Leave it shut, keep wind and sun off it, and look again in two weeks.',
    },
    'not-sure': {
      words:
        'Leave the wrapping shut, keep it moist and out of wind, and look again in ten days; cold weeks take longer.',
    },
    dead: {
      words:
        'Leave it standing for now: sleeping buds can look like nothing for weeks. Keep the stock watered and look once more before you cut anything.',
    },
  },
  growing: {
    yes: { tasks: ['suckers', 'low-branches', 'one-shoot', 'tie-up'] },
    'not-sure': {
      words: 'Rub off what grows from the stock, so that the scion is not starved, and look again in two weeks.',
    },
    dead: {
      tasks: ['second-chance'],
      otherwise: 'Cut what died back to live wood so that the stock heals, and keep it: it can be grafted again.',
    },
  },
  season: {
    yes: { words: 'Check that no tie cuts into the bark.', tasks: ['label'] },
    'not-sure': {
      words: 'Scratch the bark near the tip with a nail: green means alive. Then change your answer here.',
    },
    dead: {
      words:
        'Keep the stock if it is healthy: it can be grafted again. Note anything you saw, such as a bulge, a tie or a bite.',
    },
  },
  wintered: {
    yes: { words: 'Take off any tape that is left, prune for one leader and check stake and guard.' },
    'not-sure': {
      words: 'Wait until plants of its kind nearby are in leaf, then look again and change your answer here.',
    },
    dead: { words: 'Bring the tag back, or tell its code: even a failed graft says what to teach next year.' },
  },
};

const NOT_FOUND: Advice = {
  words:
    'Look on the wire or the stake for the tag; the code on it is the name of the graft. If it turns up, change your answer here.',
};

/**
 * What to do this week, after an answer.
 * @param aftercare what the union's method asks for with the schools that are followed.
 * @param length writes a length in the reader's unit.
 */
export function thisWeek(
  milestone: Milestone,
  answer: Answer,
  aftercare: AftercareTask[],
  length: (mm: number) => string,
): string {
  const { words, tasks = [], otherwise } = ADVICE[milestone][answer] ?? NOT_FOUND;
  const asked = tasks.flatMap((id) => aftercare.find((task) => task.id === id) ?? []);
  const said = [...(words ? [words] : []), ...asked.map((task) => sentence(task, length))].join(' ');
  return said || (otherwise ?? '');
}

/** Days since the union are past or now; growth, seasons and what is seen say when. */
function sentence({ name, trigger }: AftercareTask, length: (mm: number) => string): string {
  return trigger.kind === 'days' ? `${name}.` : `${name}: ${triggerWords(trigger, length)}.`;
}
