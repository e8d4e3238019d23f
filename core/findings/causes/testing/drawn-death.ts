import { groupedBy } from '../../../units/grouped-by';
import type { CauseModel } from '../cause-model';
import type { CauseGroup } from '../cause-tables';

/** A cause drawn by its weight, and evidence drawn as the tables have it with that cause. */
export interface DrawnDeath {
  cause: string;
  codes: string[];
}

/** Groups of evidence beside the questions that the record of a death holds something of, and how often at most. */
const LOOKED = 6;
const KNOWN = 0.4;

/**
 * A death out of the tables themselves: its cause by the weights; to each question an answer with the chance
 * found x ratio'(answer | cause); of some other groups of evidence a piece with a chance that goes by its ratio. Where a group
 * yields none, the death is drawn anew as often as makes silence equally likely with every cause: the tables say nothing of
 * what is not known.
 *
 * @param asked share of questions that are answered
 */
export function drawnDeath(random: () => number, model: CauseModel, group: CauseGroup, asked = 0.8): DrawnDeath {
  for (;;) {
    const at = drawn(random, model.weights[group]);
    const codes = recordOf(random, model, at);
    if (codes !== null)
      return { cause: model.causes[at]!, codes: [...answersOf(random, model, { group, at, asked }), ...codes] };
  }
}

interface Asking {
  group: CauseGroup;
  at: number;
  asked: number;
}

function answersOf(random: () => number, { questions, evidence }: CauseModel, { group, at, asked }: Asking): string[] {
  return questions
    .filter(({ askedOf }) => askedOf.includes(group) && random() < asked)
    .map(({ answers }) => {
      const chances = answers.map(({ code, found }) => found * evidence.get(code)!.scaled[at]!);
      return answers[drawn(random, chances)]!.code;
    });
}

/** What the record holds; null where its silence would tell something. */
function recordOf(random: () => number, model: CauseModel, at: number): string[] | null {
  const groups = recordGroups(model);
  const codes: string[] = [];
  for (let i = 0; i < LOOKED; i++) {
    const [members] = groups.splice(Math.floor(random() * groups.length), 1) as [string[]];
    const ratios = members.map((code) => model.evidence.get(code)!.ratios);
    const sums = model.causes.map((_, cause) => ratios.reduce((sum, own) => sum + own[cause]!, 0));
    const base = KNOWN / Math.max(...sums);
    const none = 1 - base * sums[at]!;
    const pick = drawn(random, [...ratios.map((own) => base * own[at]!), none]);
    if (pick < members.length) codes.push(members[pick]!);
    else if (random() > (1 - KNOWN) / none) return null;
  }
  return codes;
}

/** Groups of evidence that no question asks after. */
function recordGroups({ questions, evidence }: CauseModel): string[][] {
  const asked = new Set(questions.flatMap(({ answers }) => answers.map(({ code }) => evidence.get(code)!.group)));
  const rows = [...evidence.values()].filter(({ group }) => !asked.has(group));
  return [...groupedBy(rows, ({ group }) => group).values()].map((members) => members.map(({ code }) => code));
}

function drawn(random: () => number, weights: readonly number[]): number {
  let left = random() * weights.reduce((sum, weight) => sum + weight, 0);
  const at = weights.findIndex((weight) => (left -= weight) <= 0);
  return at < 0 ? weights.length - 1 : at;
}
