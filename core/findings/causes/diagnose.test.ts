import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { caseOfCauses } from './case-of-causes';
import { causeModel } from './cause-model';
import { CAUSE_GROUPS, STRENGTHS, type CauseTables } from './cause-tables';
import { deathProblem } from './death-of';
import { diagnose } from './diagnose';
import { questionsToAsk } from './questions-to-ask';
import { sharesOfCauses } from './shares-of-causes';
import { SHIPPED_MODEL, SHIPPED_TABLES } from './shipped-tables';
import { contradictions, whatSpeaks } from './what-speaks';

const rows = (name: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(readFileSync(`core/findings/causes/reference/${name}.csv`, 'utf8'), {
    header: true,
    skipEmptyLines: true,
  }).data;

describe('the tables that ship', () => {
  it('hold every weight, strength and chance of the reference, and nothing else', () => {
    const strengths = SHIPPED_TABLES.evidence.flatMap(({ code, group, kind, strengths }) =>
      Object.keys(strengths).length === 0
        ? [[code, group, kind, '', '']]
        : Object.entries(strengths).map(([cause, strength]) => [code, group, kind, cause, strength!]),
    );
    expect(strengths.map(String).sort()).toEqual(
      rows('evidence')
        .map((row) => String([row.evidence, row.group, row.kind, row.cause, row.strength]))
        .sort(),
    );
    expect(SHIPPED_TABLES.causes.map(({ cause, weights }) => [cause, ...CAUSE_GROUPS.map((g) => weights[g])])).toEqual(
      rows('priors').map((row) => [row.cause, ...CAUSE_GROUPS.map((group) => Number(row[group]))]),
    );
    expect(
      SHIPPED_TABLES.questions.flatMap(({ question, effort, askedOf, answers }) =>
        answers.map(({ code, found }) => [question, effort, askedOf.join(' '), code, found]),
      ),
    ).toEqual(
      rows('questions').map((row) => [row.question, Number(row.effort), row.asked_of, row.answer, Number(row.found)]),
    );
  });
  it('give each thing words of its own', () => {
    const words = [...SHIPPED_TABLES.causes, ...SHIPPED_TABLES.evidence].map((row) => row.words);
    expect(words.every((text) => text.length > 3)).toBe(true);
    expect(new Set(words).size).toBe(words.length);
  });
});

describe('the cases of the reference', () => {
  it.each(rows('cases'))('case $case: $verdict', (row) => {
    const computed = caseOfCauses(SHIPPED_MODEL, row.group!, JSON.parse(row.evidence!));
    expect(computed.verdict).toBe(row.verdict);
    const said = [row.p1, row.p2, row.p3].map(Number);
    computed.likely.forEach(([, share], at) => expect(Math.abs(Number(share) - said[at]!)).toBeLessThan(0.001));
    // Of equal shares either may stand first; they are rounded to four places there.
    const named = [row.first, row.second, row.third];
    computed.likely.forEach(([cause, share], at) => {
      const equals = computed.likely.filter(([, other]) => Math.abs(Number(other) - Number(share)) < 2e-4);
      if (equals.length === 1 && !(at === 2 && Math.abs(Number(share) - fourth(row)) < 2e-4))
        expect(cause).toBe(named[at]);
    });
    expect(computed.askNext).toBe(row.ask_next);
    expect(Math.abs(Number(computed.bits) - Number(row.bits))).toBeLessThan(0.001);
  });
});

function fourth(row: Record<string, string>): number {
  return diagnose(SHIPPED_MODEL, row.group as 'bench', JSON.parse(row.evidence!) as string[]).likely[3]!.share;
}

const codes = fc.uniqueArray(fc.constantFrom(...SHIPPED_TABLES.evidence.map(({ code }) => code)), { maxLength: 12 });
const group = fc.constantFrom(...CAUSE_GROUPS);

describe('the shares', () => {
  it('add up to 1, whatever is known and in whatever order', () => {
    fc.assert(
      fc.property(group, codes, (way, known) => {
        const shares = sharesOfCauses(SHIPPED_MODEL, way, known);
        expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
        const turned = sharesOfCauses(SHIPPED_MODEL, way, [...known].reverse());
        turned.forEach((share, at) => expect(share).toBeCloseTo(shares[at]!, 12));
      }),
    );
  });
  it('are on average after an answer what they were before it: asking alone makes no evidence', () => {
    fc.assert(
      fc.property(group, codes, (way, known) => {
        const shares = sharesOfCauses(SHIPPED_MODEL, way, known);
        for (const { question, bits } of questionsToAsk(SHIPPED_MODEL, way, shares, known)) {
          expect(bits).toBeGreaterThanOrEqual(0);
          shares.forEach((share, at) => {
            const after = question.answers.reduce(
              (sum, { code, found }) => sum + found * share * SHIPPED_MODEL.evidence.get(code)!.scaled[at]!,
              0,
            );
            expect(after).toBeCloseTo(share, 10);
          });
        }
      }),
    );
  });
  it('are not moved by evidence told twice, nor by a weaker piece of the same group', () => {
    const strong = sharesOfCauses(SHIPPED_MODEL, 'bench', ['shared-grafter-strong']);
    expect(sharesOfCauses(SHIPPED_MODEL, 'bench', ['shared-grafter', 'shared-grafter-strong'])).toEqual(strong);
    expect(sharesOfCauses(SHIPPED_MODEL, 'bench', ['shared-grafter-strong', 'shared-grafter-strong'])).toEqual(strong);
  });
});

describe('what is said', () => {
  it('is "not known" while nothing is known, and while only "something else" leads', () => {
    for (const way of CAUSE_GROUPS) expect(diagnose(SHIPPED_MODEL, way, []).verdict).toBeNull();
    const { verdict, likely } = diagnose(SHIPPED_MODEL, 'green', [
      ...['contact-good', 'bind-good', 'seal-good', 'shaded', 'shoots-off', 'support', 'same-species', 'tie-off'],
      ...[
        'wood-judged-good',
        'surface-clean',
        'not-bitten',
        'not-snapped',
        'stock-thrives',
        'seal-whole',
        'mild-early',
      ],
    ]);
    expect([verdict, likely[0]!.cause]).toEqual([null, 'other']);
  });
  it('asks nothing twice and nothing it may not', () => {
    const { ask } = diagnose(SHIPPED_MODEL, 'bench', ['scion-plain'], ({ effort }) => effort < 4);
    expect(ask.map(({ question }) => question.question)).not.toContain('What does the scion look like?');
    expect(ask.some(({ question }) => question.effort === 4)).toBe(false);
    // Of bench grafts nobody asks after a shield.
    expect(ask.some(({ question }) => question.question.includes('shield'))).toBe(false);
  });
  it('refuses a group, a code and evidence that are none, in words', () => {
    expect(() => caseOfCauses(SHIPPED_MODEL, 'root', [])).toThrow('There is no group "root"');
    expect(() => caseOfCauses(SHIPPED_MODEL, 'bench', ['bad-luck'])).toThrow('No table names the evidence "bad-luck".');
    expect(() => caseOfCauses(SHIPPED_MODEL, 'bench', { a: 1 })).toThrow('a JSON list of codes');
  });
});

describe('contradictions', () => {
  const pairs = (...known: string[]) =>
    contradictions(SHIPPED_MODEL, known).map(([first, second]) => [first.code, second.code]);
  it('are two answers to one question, or two of a group that speak against each other', () => {
    expect(pairs('scion-wrinkled', 'scion-plain')).toEqual([['scion-wrinkled', 'scion-plain']]);
    expect(pairs('lot-sound', 'stored-warm')).toEqual([['lot-sound', 'stored-warm']]);
    expect(pairs('support', 'no-support')).toEqual([['support', 'no-support']]);
  });
  it('are none where both can be, and where deaths are counted', () => {
    expect(pairs('stored-warm', 'lot-moving')).toEqual([]);
    expect(pairs('callus-cold', 'callus-hot')).toEqual([]);
    expect(pairs('shared-wood-lot-strong', 'lot-mates-live')).toEqual([]);
    expect(pairs('contact-good', 'seal-good')).toEqual([]);
  });
});

describe('a death before the union was made', () => {
  it('is said, with what to do, and nothing is reckoned of it', () => {
    expect(deathProblem({ madeOn: '2027-03-06', deadOn: '2027-03-05' })).toContain('before it was made on 6 Mar 2027');
    expect(deathProblem({ madeOn: '2027-03-06', deadOn: '2027-03-06' })).toBe('');
  });
});

describe('what speaks', () => {
  it('for a cause and against it comes loudest first, with what nobody has looked at', () => {
    const known = ['seal-missed', 'join-slow', 'opened-not-met', 'scion-plain'];
    const spoken = whatSpeaks(SHIPPED_MODEL, 'bench', known, 'dried');
    expect(spoken.speaksFor.map(({ code }) => code)).toEqual(['seal-missed', 'join-slow']);
    expect(spoken.against.map(({ code }) => code)).toEqual(['opened-not-met']);
    const questions = spoken.notLooked.map(({ question }) => question);
    expect(questions).toContain('Is the seal or wrap whole?');
    // Answered, not asked of bench grafts, or says nothing of drying out.
    for (const other of ['What does the scion look like?', 'What became of the bud or its shield?'])
      expect(questions).not.toContain(other);
    expect(questions).not.toContain('Which way do the buds point?');
  });
});

describe('tables a club wrote', () => {
  const changed = (change: (tables: CauseTables) => void): CauseTables => {
    const copy = structuredClone(SHIPPED_TABLES);
    change(copy);
    return copy;
  };
  it('are refused with the row that is wrong', () => {
    const wrong: [(tables: CauseTables) => void, string][] = [
      [
        (t) => (t.evidence[0]!.strengths['no-contact'] = '++++' as '+++'),
        `"++++" is no strength: write ${Object.keys(STRENGTHS)[0]}`,
      ],
      [(t) => (t.evidence[0]!.strengths.witches = '+'), 'names the cause "witches"'],
      [(t) => (t.causes[0]!.weights.bench = 0), 'The weight of "no-contact" for bench'],
      [(t) => (t.causes[0]!.weights.bench = NaN), 'The weight of "no-contact" for bench'],
      [(t) => t.causes.pop(), 'names the cause "other"|The cause "other" is missing'],
      [(t) => (t.questions[0]!.answers[0]!.found = 0.9), 'must add up to 1, not 1.4'],
      [(t) => (t.questions[0]!.answers[0]!.code = 'nothing'), 'is answered by "nothing"'],
      [(t) => t.causes.push(t.causes[0]!), 'A cause stands twice.'],
    ];
    for (const [change, words] of wrong)
      expect(() => causeModel(changed(change))).toThrow(new RegExp(words.replace(/[+?.]/g, '\\$&')));
  });
  it('change what is said', () => {
    const known = ['contact-part', 'seal-part'];
    expect(diagnose(SHIPPED_MODEL, 'bench', known).verdict).toBeNull();
    const sure = causeModel(changed((t) => (t.evidence.find((e) => e.code === 'seal-part')!.strengths.dried = '+++')));
    expect(diagnose(sure, 'bench', known).verdict).toBe('dried');
  });
});
