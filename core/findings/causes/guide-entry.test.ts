import { describe, expect, it } from 'vitest';
import type { EvidenceView } from './death-view';
import { guideState } from './guide-entry';
import { SHIPPED_TABLES } from './shipped-tables';

const known = (code: string, lookId: string | null = null): EvidenceView => {
  const { words, kind } = SHIPPED_TABLES.evidence.find((row) => row.code === code)!;
  return { code, words, kind, from: 'test', lookId, struck: null };
};
const facts = (evidence: EvidenceView[], mayCut = true) => ({
  group: 'bench' as const,
  evidence,
  mayCut,
  tables: SHIPPED_TABLES,
  power: 1,
});

describe('the guide', () => {
  it('asks first what tells most for the least trouble, and cutting open only what is dead', () => {
    expect(guideState(facts([]), [], []).next!.question).toBe('Did it ever grow, and when did it stop?');
    const asked: string[] = [];
    for (let passed: string[] = []; ; passed = [...asked]) {
      const { next } = guideState(facts([], false), [], passed);
      if (!next) break;
      asked.push(next.question);
    }
    expect(asked.length).toBeGreaterThan(8);
    expect(asked).not.toContain('Cut the union open: what is inside?');
  });
  it('goes by what waits on the device as if it had arrived, the last answer of a question', () => {
    const answers = [{ code: 'scion-wrinkled' }, { code: 'scion-black' }];
    const { next, likely, answered } = guideState(facts([known('scion-plain', 'look')]), answers, []);
    expect(answered).toBe(1);
    expect(next!.question).not.toBe('What does the scion look like?');
    const arrived = guideState(facts([known('scion-black', 'look')]), [], []);
    expect(likely).toEqual(arrived.likely);
  });
  it('passes over what one cannot say, and comes to an end', () => {
    const first = guideState(facts([]), [], []);
    const second = guideState(facts([]), [], [first.next!.question]);
    expect(second.next!.question).not.toBe(first.next!.question);
    expect(second.left).toBe(first.left - 1);
    const all = SHIPPED_TABLES.questions.map(({ question }) => question);
    expect(guideState(facts([]), [], all).next).toBeNull();
  });
  it('leaves struck evidence out', () => {
    const struck = { ...known('contact-none'), struck: { id: 'a', reason: 'no', by: 'x' } };
    expect(guideState(facts([struck]), [], []).verdict).toBeNull();
    expect(guideState(facts([known('contact-none')]), [], []).verdict?.cause).toBe('no-contact');
  });
});
