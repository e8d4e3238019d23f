import { answeredEvidence } from './answered-evidence';
import { careEvidence } from './care-evidence';
import type { FactsOfUnion, Gathered } from './facts-of-union';
import { judgedEvidence } from './judged-evidence';
import { weatherEvidence } from './weather-evidence';
import { woodEvidence } from './wood-evidence';

/** All evidence that a club's record holds of a union, each with where it comes from. */
export function recordedEvidence(facts: FactsOfUnion): Gathered[] {
  const found = [
    ...judgedEvidence(facts),
    ...woodEvidence(facts),
    ...weatherEvidence(facts),
    ...careEvidence(facts),
    ...answeredEvidence(facts),
    ...(facts.siblingLives ? [{ code: 'sibling-lives', from: 'Another union on its stock lives' }] : []),
  ];
  const seen = new Set<string>();
  return found.filter(({ code }) => !seen.has(code) && seen.add(code));
}
