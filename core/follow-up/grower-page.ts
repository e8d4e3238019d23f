import type { DisplayList } from '../drawing/display-list';
import type { Answer, Milestone } from '../methods/milestones';

/** One of a grower's own plants, and what they said of it so far. */
export interface GrowerPlant {
  unionId: string;
  /** As it is put of this one to whoever looks. */
  question: string;
  /** Where on the plant it sits, where that has several. */
  place: string;
  /** The drawing of `drawings` that shows how it was joined. */
  drawing: number;
  code: string;
  variety: string;
  stockType: string;
  ribbon: string;
  answer: Answer | null;
  note: string;
  /** The day it was seen. */
  seenOn: string | null;
  advice: string | null;
}

/** What a grower sees behind a private link. */
export interface GrowerPage {
  name: string;
  clubName: string;
  workshopTitle: string;
  workshopDate: string;
  milestone: Milestone;
  /** What is asked, each question once. */
  questions: string[];
  /** How the unions were joined, each method once, as reminders of where to look. */
  drawings: { method: string; drawing: DisplayList }[];
  /** Today at the site: what is told was seen then, unless another day is said. */
  today: string;
  closesOn: string;
  closed: boolean;
  mayContact: boolean;
  plants: GrowerPlant[];
}
