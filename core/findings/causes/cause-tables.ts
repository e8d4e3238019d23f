import { InputError } from '../../contact/input-error';

/** Ways of making that causes differ by: bench, the same and cleft outdoors, under bark, buds, patches, green wood. */
export const CAUSE_GROUPS = ['bench', 'scion', 'bark', 'bud', 'patch', 'green'] as const;
export type CauseGroup = (typeof CAUSE_GROUPS)[number];

const [, , , SHIELD, PATCH] = CAUSE_GROUPS;
/** Of what is set as a bud a shield is seen and no scion; a patch is a square one. */
export const isBudded = (group: CauseGroup): boolean => group === SHIELD || isPatch(group);
export const isPatch = (group: CauseGroup): boolean => group === PATCH;

/** How the groups are said. */
export const CAUSE_GROUP_WORDS = Object.fromEntries(
  CAUSE_GROUPS.map((group, at) => [group, ['bench', 'outdoors', 'under bark', 'bud', 'patch', 'green wood'][at]!]),
) as Record<CauseGroup, string>;

/** How strongly a piece of evidence speaks for a cause, as ratio of its chance with this cause to that without it. */
export const STRENGTHS = { '+++': 40, '++': 8, '+': 3, '-': 1 / 3, '--': 1 / 8 } as const;
export type Strength = keyof typeof STRENGTHS;

/** The tool knows it; somebody saw it; it was computed from what deaths share. */
export const EVIDENCE_KINDS = ['record', 'seen', 'shared'] as const;
export type EvidenceKind = (typeof EVIDENCE_KINDS)[number];

/** A cause: its words, what to teach against it, and its weight before anything is known, by way of making. */
export interface CauseRow {
  cause: string;
  words: string;
  teach?: string;
  weights: Record<CauseGroup, number>;
}

/** A piece of evidence; of those of one group only the strongest counts for a cause. */
export interface EvidenceRow {
  code: string;
  group: string;
  kind: EvidenceKind;
  words: string;
  strengths: Partial<Record<string, Strength>>;
}

/** A question, its trouble (1 to look, 4 to cut open), and its answers with how often each is found. */
export interface QuestionRow {
  question: string;
  effort: number;
  askedOf: CauseGroup[];
  answers: { code: string; found: number }[];
}

/** What a club goes by when it asks why a union died. */
export interface CauseTables {
  causes: CauseRow[];
  evidence: EvidenceRow[];
  questions: QuestionRow[];
}

/** The cause that stands for all that no table names. It is never said as the cause. */
export const OTHER = 'other';

const says = (holds: boolean, field: string, message: string): void => {
  if (!holds) throw new InputError(field, message);
};

/**
 * Checks tables before anything is reckoned by them.
 *
 * @throws InputError that names the row and says what to write instead
 */
export function checkTables(tables: CauseTables): CauseTables {
  const causes = new Set(tables.causes.map(({ cause }) => cause));
  const codes = new Map(tables.evidence.map((row) => [row.code, row]));
  says(causes.size === tables.causes.length, 'causes', 'A cause stands twice.');
  says(codes.size === tables.evidence.length, 'evidence', 'A piece of evidence stands twice.');
  says(causes.has(OTHER), 'causes', `The cause "${OTHER}" is missing: something has to stand for what no table names.`);
  for (const { cause, weights } of tables.causes)
    for (const group of CAUSE_GROUPS)
      says(
        Number.isFinite(weights[group]) && weights[group] > 0 && weights[group] <= 1000,
        `causes.${cause}.${group}`,
        `The weight of "${cause}" for ${group} is a number above 0, 1000 at most.`,
      );
  for (const { code, kind, strengths } of tables.evidence) {
    says(EVIDENCE_KINDS.includes(kind), `evidence.${code}`, `"${code}" is of the kind record, seen or shared.`);
    for (const [cause, strength] of Object.entries(strengths)) {
      says(causes.has(cause), `evidence.${code}`, `"${code}" names the cause "${cause}", which is not in the table.`);
      says(
        Object.hasOwn(STRENGTHS, strength!),
        `evidence.${code}.${cause}`,
        `"${strength}" is no strength: write ${Object.keys(STRENGTHS).join(', ')}, or leave it empty.`,
      );
    }
  }
  for (const { question, effort, answers } of tables.questions) {
    says(effort > 0, `questions.${question}`, `The trouble of "${question}" is a number above 0.`);
    for (const { code, found } of answers) {
      says(
        codes.has(code),
        `questions.${question}`,
        `"${question}" is answered by "${code}", which is not in the table.`,
      );
      says(found > 0 && found <= 1, `questions.${question}`, `How often "${code}" is found lies between 0 and 1.`);
    }
    const all = answers.reduce((sum, { found }) => sum + found, 0);
    says(
      Math.abs(all - 1) < 1e-6,
      `questions.${question}`,
      `How often the answers to "${question}" are found must add up to 1, not ${Number(all.toFixed(4))}.`,
    );
  }
  return tables;
}

/**
 * Tables of a club beside those that ship: the same causes, codes and questions, in their order; weights, strengths,
 * trouble and chances are its own. Words stay ours, so that nobody's name gets into them.
 *
 * @throws InputError where a row is missing or new
 */
export function sameShape(tables: CauseTables, shipped: CauseTables): CauseTables {
  const names = ({ causes, evidence, questions }: CauseTables): string[] => [
    ...causes.map(({ cause }) => cause),
    ...evidence.map(({ code }) => code),
    ...questions.flatMap(({ question, answers }) => [question, ...answers.map(({ code }) => code)]),
  ];
  const [own, ours] = [names(tables), names(shipped)];
  const missing = ours.find((name) => !own.includes(name)) ?? own.find((name) => !ours.includes(name));
  says(missing === undefined, 'tables', `"${missing}" is missing or new: a club changes strengths, not what there is.`);
  says(own.join('|') === ours.join('|'), 'tables', 'Rows of the tables change their order. Reload the page.');
  return {
    causes: shipped.causes.map((row, at) => ({ ...row, weights: { ...row.weights, ...tables.causes[at]!.weights } })),
    evidence: shipped.evidence.map((row, at) => ({ ...row, strengths: tables.evidence[at]!.strengths })),
    questions: shipped.questions.map((row, at) => ({
      ...row,
      effort: tables.questions[at]!.effort,
      answers: row.answers.map((answer, i) => ({ ...answer, found: tables.questions[at]!.answers[i]!.found })),
    })),
  };
}
