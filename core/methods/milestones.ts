import { mm, type Prose, prose } from '../units/prose';

/** Stages of a take, in the order a union reaches them. */
export const MILESTONES = ['healed', 'growing', 'season', 'wintered'] as const;
export type Milestone = (typeof MILESTONES)[number];

/** What each asks, as it is put to the person who looks. */
export const MILESTONE_WORDS: Record<Milestone, { name: string; question: Prose; usualDay: string }> = {
  healed: {
    name: 'Healed',
    question: 'Has it knitted: callus along the cut, or buds swelling?',
    usualDay: 'about day 14 to 21',
  },
  growing: { name: 'Growing', question: prose`Is there a new shoot of ${mm(50)} or more?`, usualDay: 'about week 8' },
  season: { name: 'Season', question: 'Is it alive now that leaves are falling?', usualDay: 'at leaf fall' },
  wintered: { name: 'Wintered', question: 'Does it grow again this spring?', usualDay: 'next spring' },
};

export const ANSWERS = ['yes', 'not-sure', 'dead', 'not-found'] as const;
export type Answer = (typeof ANSWERS)[number];

export const ANSWER_WORDS: Record<Answer, string> = {
  yes: 'Yes',
  'not-sure': 'Not sure yet',
  dead: 'Dead',
  'not-found': 'Cannot find it',
};
