export type SkillLevel = 'first' | 'some' | 'sure';

/** How far a scion lands from where it was meant, mm, as the spread of a bell curve. Guesses, nobody has measured them. */
export const SLIP: Record<SkillLevel, number> = { first: 0.5, some: 0.3, sure: 0.15 };

export const SKILL_WORDS: Record<SkillLevel, string> = {
  first: 'first day',
  some: 'some practice',
  sure: 'sure hands',
};
