import type { Said } from '../said';

/** A sign that can be told, and the words it cannot go with. */
export interface CardOption {
  id: string;
  words: string;
  against: readonly Said[];
}

/** A graft as somebody of the club enters an answer for it: what to ask the grower, and what can be answered. */
export interface AnswerCard {
  unionId: string;
  code: string;
  variety: string;
  /** Where on its plant it sits, where that has several; else empty. */
  position: string;
  stands: string;
  grower: string;
  personId: string;
  phone: string;
  workshop: string;
  madeOn: string;
  question: string;
  groups: { id: string; words: string; options: CardOption[]; after: string }[];
  sayings: { said: Said; words: string }[];
  measured: boolean;
  /** Due today, to be told all the same, or not to be told of yet. */
  state: 'due' | 'tellable' | 'too-early';
  /** Where it stands, in words: when it is asked, or what was told last. */
  told: string;
}
