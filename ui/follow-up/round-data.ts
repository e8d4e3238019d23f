import type { Answer, RoundKind } from '@/core/methods/milestones';

/** A round as its board shows it. */
export interface RoundOnBoard {
  id: string;
  milestone: RoundKind;
  /** As it is put to whoever looks. */
  question: string;
  opensOn: string;
  closesOn: string;
  closed: boolean;
  sentSoFar: number;
  growers: RoundGrower[];
}

export interface RoundGrower {
  /** Null for whoever sat at none, such as somebody a plant was handed on to. */
  seatNumber: number | null;
  /** Empty for the club. */
  personId: string;
  /** Plants that stay with the club: nobody is asked of them. */
  withUs: boolean;
  name: string;
  reachable: boolean;
  written: number;
  openLinks: number;
  plants: {
    unionId: string;
    code: string;
    /** Where on its plant it sits, where that has several; else empty. */
    place: string;
    variety: string;
    ribbon: string;
    answer: Answer | null;
    note: string;
    seenOn: string | null;
    /** Why it counts as it does, in words. */
    why: string;
    nextLookOn: string | null;
    /** It is asked of today. */
    due: boolean;
  }[];
}
