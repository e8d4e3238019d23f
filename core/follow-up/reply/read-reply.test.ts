import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { codeFromBytes, codesIn, formatCode } from '../../codes/plant-code';
import { ENGLISH } from '../wording/english';
import { readReply } from './read-reply';

const code = (seed: number): string =>
  codeFromBytes(Uint8Array.from({ length: 20 }, (_, i) => (seed * 37 + i * 11) % 248))!;
const [A, B] = [code(1), code(2)] as [string, string];
const read = (text: string, subject = 'Re: How are your grafts?') => readReply({ subject, text }, ENGLISH.reply);

describe('codes in a text', () => {
  it('are found however they are typed, and words are none', () => {
    expect(codesIn(`mine is ${formatCode(A)}, the other ${B.toLowerCase()}`).codes).toEqual(
      /\d/.test(B) ? [A, B] : [A],
    );
    expect(codesIn('the cat really planted it on 2027-05-06, row 12 100').codes).toEqual([]);
    const wrong = `${A.slice(0, 5)}${A.endsWith('2') ? '3' : '2'}`;
    expect(codesIn(wrong)).toEqual({ codes: [], damaged: [wrong] });
  });
  it('are found in any text around them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 246 }),
        fc.constantFrom('', 'of ', 'plant: ', 'abc ', '3 '),
        (seed, before) => {
          expect(codesIn(`${before}${formatCode(code(seed))}.`).codes).toContain(code(seed));
        },
      ),
    );
  });
});

describe('a reply by mail', () => {
  it('is read where each code has a plain word', () => {
    expect(read(`${formatCode(A)} alive\n${formatCode(B)}: dead, sorry`).answers).toEqual([
      { code: A, said: 'alive' },
      { code: B, said: 'dead' },
    ]);
    expect(read(`Hello,\nmy ${A} is growing well.\nOna`).answers).toEqual([{ code: A, said: 'alive' }]);
    expect(read(`${A}\nI cannot find it`).answers).toEqual([{ code: A, said: 'not-found' }]);
    expect(read(`${A} I’m not sure yet`).answers).toEqual([{ code: A, said: 'unsure' }]);
    expect(read(`${A} alive; ${A} alive`).answers).toEqual([{ code: A, said: 'alive' }]);
  });
  it('is never guessed', () => {
    const problem = (text: string, subject?: string) => read(text, subject).problem;
    expect(problem('All well here, thanks')).toBe('no-code');
    expect(problem(`${A} and ${B} are alive`)).toBe('several-codes');
    expect(problem(`${A} well, you see\n${B} dead`)).toBe('no-words');
    expect(problem(`${A} is not dead`)).toBe('doubtful');
    expect(problem(`${A} alive or dead?`)).toBe('doubtful');
    expect(problem(`${A} alive\n${B} dead\n${A} dead`)).toBe('doubtful');
    expect(problem(`${A} alive\n${B} dead\nall others dead`)).toBe('doubtful');
    expect(problem(`${A} alive`, 'Fwd: grafts')).toBe('forwarded');
    expect(problem(`---------- Forwarded message\n${A} alive`)).toBe('forwarded');
    expect(problem(`${A.slice(0, 5)}${A.endsWith('2') ? '3' : '2'} alive`)).toBe('unknown-code');
  });
});
