import { causeModel } from './cause-model';
import type { CauseGroup, CauseTables, QuestionRow } from './cause-tables';
import { deathOf } from './death-of';
import type { DeathView, EvidenceView } from './death-view';

/** What the guide goes by: it has to work without reception, so it carries the tables with it. */
export interface GuideFacts {
  unionId: string;
  called: string;
  href: string;
  title: string;
  madeOn: string;
  group: CauseGroup;
  evidence: EvidenceView[];
  mayCut: boolean;
  tables: CauseTables;
  power: number;
}

/** An answer that waits on the device. */
export interface GivenAnswer {
  code: string;
}

/** The questions that are still open, and what is thought so far: by what the server knows and what waits on the device. */
export function guideState(
  { group, evidence, mayCut, tables, power }: Pick<GuideFacts, 'group' | 'evidence' | 'mayCut' | 'tables' | 'power'>,
  waiting: readonly GivenAnswer[],
  passed: readonly string[],
): Pick<DeathView, 'verdict' | 'likely' | 'contradictions'> & {
  next: QuestionRow | null;
  answered: number;
  left: number;
} {
  const model = modelOf(tables, power);
  const questionOf = (code: string): string | undefined =>
    tables.questions.find(({ answers }) => answers.some((answer) => answer.code === code))?.question;
  // The last answer to a question counts, also before it has reached the server.
  const renewed = new Set(waiting.map(({ code }) => questionOf(code)));
  const latest = new Map(waiting.map(({ code }) => [questionOf(code), code]));
  const known: EvidenceView[] = [
    ...evidence.filter(({ code, lookId }) => lookId === null || !renewed.has(questionOf(code))),
    ...[...latest.values()].map((code): EvidenceView => {
      const { words, kind } = model.evidence.get(code)!;
      return { code, words, kind, from: 'Seen just now', lookId: null, struck: null };
    }),
  ];
  const { ask, ...said } = deathOf(model, { group, evidence: known, mayCut });
  const open = ask.filter(({ question }) => !passed.includes(question));
  return { ...said, next: open[0] ?? null, answered: latest.size, left: open.length };
}

const models = new WeakMap<CauseTables, { power: number; model: ReturnType<typeof causeModel> }>();

/** Tables are made ready once, not at every tap. */
function modelOf(tables: CauseTables, power: number): ReturnType<typeof causeModel> {
  const known = models.get(tables);
  if (known?.power === power) return known.model;
  const model = causeModel(tables, power);
  models.set(tables, { power, model });
  return model;
}
