import EmailReplyParser from 'email-reply-parser';
import Papa from 'papaparse';
import { formatCode, normaliseCode } from '@/core/codes/plant-code';
import type { Said } from '@/core/follow-up/said';
import { readReply } from '@/core/follow-up/reply/read-reply';
import { ENGLISH } from '@/core/follow-up/wording/english';
import { csvRows } from './csv-rows';

/*
 * npm run -s replies -- FILE.csv
 * Reads replies of the form id, text, codes (that the sender may answer for, separated by semicolons) and writes them to
 * standard output in the same order with `computed` added: CODE=alive|dead|unsure|missing and `stop`, joined by
 * semicolons, or `show` where a person has to look at it.
 */
const WORDS: Record<Said, string> = { alive: 'alive', dead: 'dead', unsure: 'unsure', 'not-found': 'missing' };

function computed({ text, codes }: Record<string, string>): string {
  const own = new EmailReplyParser()
    .read(text ?? '')
    .getVisibleText()
    .trim();
  const { answers, stop } = readReply({ subject: '', text: own }, ENGLISH.reply);
  const theirs = (codes ?? '').split(';').map(normaliseCode);
  if (answers === null || answers.some(({ code }) => !theirs.includes(code))) return 'show';
  const said = answers.map(({ code, said: word }) => `${formatCode(code)}=${WORDS[word]}`);
  return [...said, ...(stop ? ['stop'] : [])].join(';');
}

const read = csvRows('replies', ['id', 'text', 'codes']);
if (read) {
  const rows = read.rows.map((row) => ({ ...row, computed: computed(row) }));
  process.stdout.write(`${Papa.unparse(rows, { columns: [...read.columns, 'computed'], newline: '\n' })}\n`);
}
