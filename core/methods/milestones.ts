/** Stages of a take, in the order a union reaches them. */
export const MILESTONES = ['healed', 'growing', 'season', 'wintered'] as const;
export type Milestone = (typeof MILESTONES)[number];

/** What rounds ask: the milestones, then a look once a year, and whether it has cropped, for trials of varieties. */
export const ROUND_KINDS = [...MILESTONES, 'year', 'crop'] as const;
export type RoundKind = (typeof ROUND_KINDS)[number];

/** Whether a round asks for one of the milestones of a take. */
export function isMilestone(kind: RoundKind): kind is Milestone {
  return (MILESTONES as readonly RoundKind[]).includes(kind);
}

/** How they are called, and when they usually come. */
export const MILESTONE_WORDS: Record<RoundKind, { name: string; usualDay: string }> = {
  healed: { name: 'Healed', usualDay: 'about day 14 to 21' },
  growing: { name: 'Growing', usualDay: 'about week 8' },
  season: { name: 'Season', usualDay: 'at leaf fall' },
  wintered: { name: 'Wintered', usualDay: 'next spring' },
  year: { name: 'Yearly look', usualDay: 'once a year, for five years' },
  crop: { name: 'Crop year', usualDay: 'in the year it first bears' },
};

export const ANSWERS = ['yes', 'not-sure', 'dead', 'not-found'] as const;
export type Answer = (typeof ANSWERS)[number];

export const ANSWER_WORDS: Record<Answer, string> = {
  yes: 'Yes',
  'not-sure': 'Not sure yet',
  dead: 'Dead',
  'not-found': 'Cannot find it',
};
