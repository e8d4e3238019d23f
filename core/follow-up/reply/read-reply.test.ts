import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { codeFromBytes, codesAt, codesIn, formatCode, normaliseCode } from '../../codes/plant-code';
import { ENGLISH } from '../wording/english';
import { readReply } from './read-reply';
import { alternatives, withoutNames } from './reply-text';

const code = (seed: number): string =>
  codeFromBytes(Uint8Array.from({ length: 20 }, (_, i) => (seed * 37 + i * 11) % 248))!;
const [A, B] = [code(1), code(2)] as [string, string];
const read = (text: string, subject = 'Re: How are your grafts?', names: string[] = []) =>
  readReply({ subject, text, names }, ENGLISH.reply);

describe('codes in a text', () => {
  it('are found however they are typed, and words are none', () => {
    expect(codesIn(`mine is ${formatCode(A)}, the other ${B.toLowerCase()}`).codes).toEqual(
      /\d/.test(B) ? [A, B] : [A],
    );
    expect(codesIn('the cat really planted it on 2027-05-06, row 12 100').codes).toEqual([]);
    const wrong = `${A.slice(0, 5)}${A.endsWith('2') ? '3' : '2'}`;
    expect(codesIn(wrong)).toEqual({ codes: [], damaged: [wrong] });
  });
  it('are found in any text around them, and leave the rest of it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 246 }),
        fc.constantFrom('', 'of ', 'plant: ', 'abc ', '3 '),
        (seed, before) => {
          const found = codesAt(`${before}${formatCode(code(seed))}.`, '*');
          expect(found.codes).toContain(code(seed));
          expect(found.marked).toBe(`${before}*.`);
        },
      ),
    );
  });
});

/*
 * Replies as people write them, half of them traps: what was, will be or may be, the stock and not the graft, one of
 * two, news that no answer is made for. Of a trap nothing may be read; what is plain must be.
 */
const { data: rows } = Papa.parse<Record<string, string>>(
  readFileSync(new URL('./replies.csv', import.meta.url), 'utf8'),
  { header: true, skipEmptyLines: true },
);
const WORDS = { alive: 'alive', dead: 'dead', unsure: 'unsure', 'not-found': 'missing' } as const;

describe('a reply by mail', () => {
  it.each(rows.map((row) => [row.text!, row.expected!]))('“%s” is %s', (text, expected) => {
    const { answers, stop } = read(text, '');
    const said = answers?.map((answer) => `${formatCode(answer.code)}=${WORDS[answer.said]}`);
    expect(said ? [...said, ...(stop ? ['stop'] : [])].join(';') : 'show').toBe(expected);
  });
  it('is tried on enough of them, and on enough traps', () => {
    expect(rows.length).toBeGreaterThanOrEqual(60);
    expect(rows.filter(({ expected }) => expected === 'show').length).toBeGreaterThanOrEqual(rows.length / 2);
  });
  it('ends with a name that is known, and with none that is not', () => {
    expect(read(`Hello,\nmy ${A} is growing well.\nOna`, '', ['Ona Ferrel']).answers).toEqual([
      { code: A, said: 'alive' },
    ]);
    expect(read(`${A} alive\nOna`).problem).toBe('doubtful');
    expect(read(`${A} alive\nBarely`, '', ['Ona Ferrel']).problem).toBe('doubtful');
    const named = (text: string) => withoutNames(text, [], ENGLISH.reply).trim();
    expect(named('Dear Maren Ulvik, it lives')).toBe('Dear, it lives');
    expect(named('It lives.\nBest wishes,\nOna Ferrel')).toBe('It lives.\nBest wishes');
    expect(named('Thanks, but it died')).toBe('Thanks, but it died');
  });
  it('is never taken from what was passed on, nor where a code is misread', () => {
    expect(read(`${A} alive`, 'Fwd: grafts').problem).toBe('forwarded');
    expect(read(`---------- Forwarded message\n${A} alive`).problem).toBe('forwarded');
    expect(read(`${A.slice(0, 5)}${A.endsWith('2') ? '3' : '2'} alive`).problem).toBe('unknown-code');
    expect(read('All well here, thanks').problem).toBe('no-code');
    // What stands for a code within is none when it comes from outside.
    expect(read(`${A} alive\n\u0001 dead`).problem).toBe('doubtful');
    expect(read(`${A} and ${B} are alive`).problem).toBe('several-codes');
  });
  it('that wants no more letters is heard also where the rest is not understood', () => {
    const heard = read(`${A} was eaten by a goat. Please stop writing to me.`);
    expect(heard).toMatchObject({ stop: true, answers: null, problem: 'doubtful' });
    expect(read('', 'Unsubscribe')).toEqual({ stop: true, answers: [], problem: null });
    expect(read(`${A} alive`).stop).toBe(false);
  });
  it('says nothing more for a word that nobody foresaw: what is added to a plain answer is shown', () => {
    const foreseen = new Set(
      alternatives(Object.values(ENGLISH.reply).flat()).flatMap((phrase) => phrase.split(/[^\p{L}]+/u)),
    );
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z]{4,9}$/), fc.boolean(), (word, ahead) => {
        fc.pre(!foreseen.has(word) && codesIn(word).codes.length + codesIn(word).damaged.length === 0);
        const text = ahead ? `${word} ${formatCode(A)} alive` : `${formatCode(A)} alive ${word}`;
        expect(read(text).answers).toBeNull();
      }),
    );
  });
  it('is read the same in small letters, and with its code typed together', () => {
    for (const { text, expected } of rows.filter((row) => row.must_be_read === 'yes' && row.expected!.includes('='))) {
      const typed = text!.replaceAll(/[A-Z0-9]{3} [A-Z0-9]{3}/g, (found) => normaliseCode(found).toLowerCase());
      expect(read(typed, '').answers?.length, typed).toBe(
        expected!.split(';').filter((part) => part.includes('=')).length,
      );
    }
  });
});
