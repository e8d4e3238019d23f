import {
  checkTables,
  STRENGTHS,
  type CauseGroup,
  type CauseTables,
  type EvidenceRow,
  type QuestionRow,
} from './cause-tables';

/** Evidence made ready: its ratios in the order of causes, as the table has them and scaled within its question. */
export interface ReadyEvidence extends EvidenceRow {
  ratios: number[];
  scaled: number[];
}

/** Tables made ready for reckoning, once for many deaths. */
export interface CauseModel {
  tables: CauseTables;
  /** In this order stand all weights, ratios and shares. */
  causes: string[];
  weights: Record<CauseGroup, number[]>;
  evidence: ReadonlyMap<string, ReadyEvidence>;
  questions: QuestionRow[];
  /** The power that shares are raised to: 1 until a club has settled enough causes to fit it (temperature.ts). */
  power: number;
}

/**
 * Makes tables ready. The answers of a question are scaled so that for no cause asking alone makes evidence:
 * ratio'(answer) = ratio(answer) / sum over the question's answers of found x ratio.
 *
 * @throws InputError when the tables cannot be (checkTables)
 */
export function causeModel(tables: CauseTables, power = 1): CauseModel {
  checkTables(tables);
  const causes = tables.causes.map(({ cause }) => cause);
  const ratiosOf = ({ strengths }: EvidenceRow): number[] =>
    causes.map((cause) => (strengths[cause] === undefined ? 1 : STRENGTHS[strengths[cause]]));
  const evidence = new Map<string, ReadyEvidence>();
  for (const row of tables.evidence) {
    const ratios = ratiosOf(row);
    evidence.set(row.code, { ...row, ratios, scaled: ratios });
  }
  for (const { answers } of tables.questions) {
    const sums = causes.map((_, at) =>
      answers.reduce((sum, { code, found }) => sum + found * evidence.get(code)!.ratios[at]!, 0),
    );
    for (const { code } of answers) {
      const row = evidence.get(code)!;
      evidence.set(code, { ...row, scaled: row.ratios.map((ratio, at) => ratio / sums[at]!) });
    }
  }
  const weights = {} as Record<CauseGroup, number[]>;
  for (const { weights: byGroup } of tables.causes)
    for (const [group, weight] of Object.entries(byGroup)) (weights[group as CauseGroup] ??= []).push(weight);
  return { tables, causes, weights, evidence, questions: tables.questions, power };
}
