import type { Answer, Milestone } from '@/core/findings/milestones';

export interface OwnPlant {
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
export interface OwnPage {
  name: string;
  clubName: string;
  workshopTitle: string;
  workshopDate: string;
  milestone: Milestone;
  closesOn: string;
  closed: boolean;
  mayContact: boolean;
  plants: OwnPlant[];
}
