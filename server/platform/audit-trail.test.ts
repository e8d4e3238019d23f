import { dirname } from 'node:path';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/*
 * Who did what is noted in the transaction that did it. Read from the sources, so that a new use case
 * cannot be forgotten: each function that writes in a transaction notes it there, or is named here with
 * the reason why not.
 */

const NOT_NOTED: Record<string, string> = {
  'server/platform/rate-limit.ts': 'counts of attempts',
  'server/platform/slow-down.ts': 'counts of attempts',
  'server/platform/union-facts.ts': 'derived, in the transaction of what it derives from',
  'server/platform/keeper-counts.ts': 'derived from facts, by whoever reads next',
  'server/teach/teaching.ts putTeachingState': 'what a projector shows',
  'server/teach/learner-questions.ts': 'what learners asked; who noted it is not kept',
  'server/club/passwords.ts writeToForgetful': 'somebody who is not signed in asked; nothing of the club changed',
  'server/plan/measured-wood.ts addPiece': 'one measured piece after the other',
  'server/plan/measured-wood.ts importPieces': 'measured pieces from a file',
  'server/score/rubrics.ts': 'made by use',
  'server/score/recalibration.ts answerRecalibration': 'an answer of an exercise',
  'server/plan/calendar-entries.ts rememberEntries': 'what the calendar file gave out',
  'server/club/sessions.ts': 'one’s own sessions',
  'server/club/sign-in.ts': 'signing in and out',
  'server/club/members.ts changeUnits': 'one’s own units',
  'server/platform/outbox.ts': 'letters handed over',
};

const sources = readdirSync('server', { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.includes('.test.') && !file.startsWith('testing/'),
);

interface Block {
  file: string;
  name: string;
  body: string;
}

/** Bodies handed to `transact`, each with the function it stands in. */
function transactions(): Block[] {
  return sources.flatMap((file) => {
    const text = readFileSync(`server/${file}`, 'utf8');
    return [...text.matchAll(/transact\(/g)]
      .filter(
        ({ index }) =>
          !text.slice(0, index).endsWith('import { ') && text.slice(index - 20, index).indexOf('function ') < 0,
      )
      .map(({ index }) => {
        let depth = 0;
        let end = index + 'transact'.length;
        do {
          if (text[end] === '(') depth++;
          else if (text[end] === ')') depth--;
          end++;
        } while (depth > 0);
        const name = [...text.slice(0, index).matchAll(/(?:async )?function (\w+)/g)].at(-1)?.[1] ?? '';
        // What the block calls belongs to it, here or where it is imported from.
        const called = [...text.slice(index, end).matchAll(/\b(\w+)\(/g)].flatMap(([, called]) => {
          const imported = new RegExp(`import \\{[^}]*\\b${called!}\\b[^}]*\\} from '\\./([^']+)'`).exec(text)?.[1];
          const there = imported ? readFileSync(`server/${dirname(file)}/${imported}.ts`, 'utf8') : text;
          const at = there.indexOf(`function ${called!}(`);
          return at < 0 ? [] : [there.slice(at, there.indexOf('\n}\n', at))];
        });
        return { file: `server/${file}`, name, body: text.slice(index, end) + called.join('\n') };
      });
  });
}

describe('the trail of who did what', () => {
  const all = transactions();
  it('is written by every transaction of a use case', () => {
    expect(all.length).toBeGreaterThan(50);
    const without = all
      .filter(({ body }) => !/\baudit\(/.test(body))
      .filter(({ file, name }) => NOT_NOTED[file] === undefined && NOT_NOTED[`${file} ${name}`] === undefined);
    expect(without.map(({ file, name }) => `${file} ${name}`)).toEqual([]);
  });
  it('knows every other place that writes', () => {
    const bare = sources.flatMap((file) => {
      const text = readFileSync(`server/${file}`, 'utf8');
      // A write outside a transaction names none.
      return [...text.matchAll(/db\.\w+\.(create|bulkCreate|update|destroy|upsert)\(/g)].flatMap(({ index }) => {
        const call = text.slice(index, text.indexOf(';', index));
        const name = [...text.slice(0, index).matchAll(/function (\w+)/g)].at(-1)?.[1] ?? '';
        return call.includes('transaction') ? [] : [`server/${file} ${name}`];
      });
    });
    expect(
      [...new Set(bare)].filter(
        (place) => NOT_NOTED[place] === undefined && NOT_NOTED[place.split(' ')[0]!] === undefined,
      ),
    ).toEqual([]);
  });
});
