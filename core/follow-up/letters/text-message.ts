import { formatCode } from '../../codes/plant-code';
import type { Wording } from '../wording/wording';
import type { LetterFacts } from './letter';
import type { TaskLetterFacts } from './task-letter';

/** What a letter asks, as a text message: no longer than a phone shows at once. */
export function growerText({ say }: Wording, { club, asks, url }: LetterFacts): { subject: string; text: string } {
  const codes = [...new Set(asks.map(({ code }) => formatCode(code)))].join(', ');
  return { subject: say('text.asks-subject'), text: say('text.asks', { club, codes, url }) };
}

/** What is to be done, as a text message. */
export function taskText({ say }: Wording, { club, tasks, url }: TaskLetterFacts): { subject: string; text: string } {
  const [first] = tasks;
  const codes = [...new Set(tasks.flatMap((task) => task.codes.map(formatCode)))].join(', ');
  return {
    subject: say('text.tasks-subject'),
    text: say('text.tasks', { club, codes, count: tasks.length, task: first?.name ?? '', url }),
  };
}
