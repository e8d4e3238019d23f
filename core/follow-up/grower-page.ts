import type { Answer, Milestone } from '../methods/milestones';

/** One of a grower's own plants, and what they said of it so far. */
export interface GrowerPlant {
  unionId: string;
  code: string;
  variety: string;
  stockType: string;
  ribbon: string;
  answer: Answer | null;
  note: string;
  advice: string | null;
}

/** What a grower sees behind a private link. */
export interface GrowerPage {
  name: string;
  clubName: string;
  workshopTitle: string;
  workshopDate: string;
  milestone: Milestone;
  /** As it is put to whoever looks. */
  question: string;
  closesOn: string;
  closed: boolean;
  mayContact: boolean;
  plants: GrowerPlant[];
}
