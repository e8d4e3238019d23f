import { describe, expect, it } from 'vitest';
import { ALPHABET, codeFromBytes, formatCode, isPlantCode, normaliseCode } from './plant-code';

/** Codes spread over the whole range, made without the function under test deciding which. */
const codes: string[] = [];
for (let i = 0; i < 400; i++) {
  const seed = Math.imul(i + 1, 2654435761) >>> 0;
  const code = codeFromBytes(
    Uint8Array.from([seed & 255, (seed >> 8) & 255, (seed >> 16) & 255, seed >>> 24, (i * 97) & 255, 7, 9]),
  );
  if (code) codes.push(code);
}
for (const character of ALPHABET) codes.push(codeFromBytes(new Uint8Array(5).fill(ALPHABET.indexOf(character)))!);

describe('plant codes', () => {
  it('avoid characters that are misread', () => {
    expect(ALPHABET).not.toMatch(/[01OIL]/);
    expect(new Set(ALPHABET).size).toBe(31);
    expect(codes.length).toBeGreaterThan(400);
    for (const code of codes) expect(isPlantCode(code)).toBe(true);
  });
  it('catch every single wrong character, the check character included', () => {
    for (const code of codes) {
      for (let at = 0; at < code.length; at++) {
        for (const other of ALPHABET) {
          if (other === code[at]) continue;
          expect(isPlantCode(code.slice(0, at) + other + code.slice(at + 1))).toBe(false);
        }
      }
    }
  });
  it('catch every swap of neighbours, for every pair of characters at every place', () => {
    // The sum is linear, so whether a swap shows depends on the two characters and the place only;
    // all pairs at all places, the last against the check character included, is exhaustive.
    let tried = 0;
    for (const base of codes) {
      for (let at = 0; at + 1 < base.length; at++) {
        if (base[at] === base[at + 1]) continue;
        const swapped = base.slice(0, at) + base[at + 1] + base[at] + base.slice(at + 2);
        expect(isPlantCode(swapped)).toBe(false);
        tried++;
      }
    }
    for (let at = 0; at < 4; at++) {
      for (let a = 0; a < 31; a++) {
        for (let b = 0; b < 31; b++) {
          if (a === b) continue;
          const bytes = new Uint8Array(5).fill(3);
          bytes[at] = a;
          bytes[at + 1] = b;
          const code = codeFromBytes(bytes)!;
          expect(isPlantCode(code.slice(0, at) + code[at + 1] + code[at] + code.slice(at + 2))).toBe(false);
          tried++;
        }
      }
    }
    for (let a = 0; a < 31; a++) {
      for (let rest = 0; rest < 31; rest++) {
        const code = codeFromBytes(Uint8Array.from([rest, 3, 3, 3, a]))!;
        if (code[4] === code[5]) continue;
        expect(isPlantCode(code.slice(0, 4) + code[5] + code[4])).toBe(false);
        tried++;
      }
    }
    expect(tried).toBeGreaterThan(6000);
  });
  it('refuse other lengths and characters', () => {
    for (const text of ['', 'ABC', `${codes[0]}2`, '0OIL11', 'abcdef']) expect(isPlantCode(text)).toBe(false);
  });
  it('read what people type', () => {
    const code = codes[0]!;
    expect(normaliseCode(` ${formatCode(code).toLowerCase()} `)).toBe(code);
    expect(codeFromBytes(new Uint8Array(5).fill(255))).toBeNull();
  });
});
