/** How sure a hand is: how far a scion lands from where it was meant, mm, and how hollow its faces are, mm. */
export interface Hand {
  slip: number;
  hollow: number;
}

export type SkillLevel = 'first' | 'some' | 'sure';

/** Guesses, not measured: each editable once a club has measured its own people. */
export const HANDS: Record<SkillLevel, Hand> = { first: { slip: 0.5, hollow: 0.15 }, some: { slip: 0.3, hollow: 0.08 }, sure: { slip: 0.15, hollow: 0 } };

export const SKILL_WORDS: Record<SkillLevel, string> = { first: 'first day', some: 'some practice', sure: 'sure hands' };
