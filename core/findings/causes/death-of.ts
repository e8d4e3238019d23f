import { formatDate } from '../../units/iso-date';
import type { CauseModel } from './cause-model';
import type { CauseGroup, QuestionRow } from './cause-tables';
import type { CauseSpeaks, DeathView, EvidenceView } from './death-view';
import { diagnose } from './diagnose';
import { contradictions, whatSpeaks } from './what-speaks';

/** Trouble from which on a union has to be cut open. */
const CUTTING = 4;
/** Bits below which a question is not worth its trouble: our guess. */
const WORTH_ASKING = 0.005;
/** Causes that are shown. */
const SHOWN = 3;

/** What a death is read from. */
export interface DeathEvidence {
  group: CauseGroup;
  evidence: readonly EvidenceView[];
  /** Its signs say dead or likely dead, so nothing is lost by cutting it open. */
  mayCut: boolean;
}

/** The part of a death's view that follows from its evidence: struck evidence counts for nothing. */
export function deathOf(
  model: CauseModel,
  { group, evidence, mayCut }: DeathEvidence,
): Pick<DeathView, 'verdict' | 'likely' | 'contradictions' | 'ask'> {
  const all = evidence.filter(({ struck }) => !struck).map(({ code }) => code);
  const clashes = contradictions(model, all);
  // Two that cannot both be true cancel, so that their question is asked again.
  const cancelled = new Set(clashes.flat().map(({ code }) => code));
  const codes = all.filter((code) => !cancelled.has(code));
  const allowed = ({ effort }: QuestionRow): boolean => mayCut || effort < CUTTING;
  const { verdict, likely, ask } = diagnose(model, group, codes, allowed);
  return {
    verdict: verdict === null ? null : { cause: verdict, words: causeWords(model, verdict) },
    likely: likely.slice(0, SHOWN).map(({ cause, share }): CauseSpeaks => {
      const { speaksFor, against, notLooked } = whatSpeaks(model, group, codes, cause);
      return {
        cause,
        share,
        words: causeWords(model, cause),
        speaksFor: speaksFor.map(({ words }) => words),
        against: against.map(({ words }) => words),
        notLooked: notLooked.filter(allowed).map(({ question }) => question),
      };
    }),
    contradictions: clashes.map(([first, second]) => [first.words, second.words]),
    // What tells next to nothing is not asked.
    ask: ask.filter(({ bits }) => bits > WORTH_ASKING).map(({ question }) => question),
  };
}

/** A cause in words; one that a table no longer names is said by its code. */
export function causeWords({ tables }: CauseModel, cause: string): string {
  if (cause === '') return 'not known';
  return tables.causes.find((row) => row.cause === cause)?.words ?? cause.replaceAll('-', ' ');
}

/** What is wrong with a death, in words; empty where nothing is. */
export function deathProblem({ madeOn, deadOn }: { madeOn: string; deadOn: string }): string {
  return deadOn < madeOn
    ? `It was seen dead on ${formatDate(deadOn)}, before it was made on ${formatDate(madeOn)}. Set that answer right, then ask why.`
    : '';
}
