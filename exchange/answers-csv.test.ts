import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { codeFromBytes, formatCode } from '@/core/codes/plant-code';
import { readAnswers } from './answers-csv';

const read = (text: string, unit: 'mm' | 'in' = 'mm') => {
  const found = readAnswers(new TextEncoder().encode(text), unit);
  if ('problem' in found) throw new Error(found.problem);
  return found;
};
const CODE = codeFromBytes(Uint8Array.from({ length: 12 }, (_, i) => i * 7))!;

describe('a file of answers', () => {
  it('is read by its headings, with commas or semicolons, codes typed as people do', () => {
    const { lines, notes } = read(
      `Tag;State;Date;Shoot;Notes;Colour\n${formatCode(CODE).toLowerCase()};Yes;2027-05-02;12,5 cm;well done;red\n`,
    );
    expect(lines).toEqual([
      { line: 2, code: CODE, said: 'alive', seenOn: '2027-05-02', growthMm: 125, note: 'well done', problem: '' },
    ]);
    expect(notes).toEqual(['Columns not known and left out: Colour.']);
  });
  it('takes lengths by their own unit, the heading’s, or whoever reads', () => {
    const growth = (heading: string, figure: string, unit: 'mm' | 'in') =>
      read(`code,answer,${heading}\n${CODE},alive,${figure}\n`, unit).lines[0]!.growthMm;
    expect(growth('growth', '5', 'in')).toBe(127);
    expect(growth('growth', '5', 'mm')).toBe(5);
    expect(growth('growth', '120 mm', 'in')).toBe(120);
    expect(growth('growth_mm', '120', 'in')).toBe(120);
  });
  it('says of each line what is wrong with it, and takes none of the others with it', () => {
    const problems = read(
      `code,answer,seen_on,growth,note\n,alive,,,\nXX,alive,,,\n${CODE},,,,\n${CODE},blue,,,\n${CODE},dead,soon,,\n${CODE},dead,,long,\n${CODE},dead,,,${'q'.repeat(501)}\n${CODE},?,,,\n`,
    ).lines.map(({ problem }) => problem);
    expect(problems.slice(0, 7).every((problem) => problem.length > 10)).toBe(true);
    expect(new Set(problems).size).toBe(8);
    expect(problems[7]).toBe('');
  });
  it('reads every word there is for an answer as one of four', () => {
    fc.assert(
      fc.property(fc.constantFrom('alive', 'YES', 'Dead', 'not sure yet', 'cannot find it', 'unsure', 'no'), (word) => {
        expect(['alive', 'dead', 'unsure', 'not-found']).toContain(
          read(`code,answer\n${CODE},${word}\n`).lines[0]!.said,
        );
      }),
    );
  });
  it('without its columns or lines says what to do', () => {
    expect(() => read('tag,colour\nx,red\n')).toThrow('columns code and answer');
    expect(() => read('code,answer\n')).toThrow('no answer under its headings');
  });
});
