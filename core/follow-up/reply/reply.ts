/** A reply as the inbox shows it. */
export interface Reply {
  id: string;
  from: string;
  /** Who that is on record; null where nobody, or more than one. */
  person: { id: string; name: string } | null;
  subject: string;
  text: string;
  arrivedAt: Date;
  sentOn: string | null;
  /** Why nobody could read it, in words; empty where it was read. */
  problem: string;
  /** Its file in the folder of letters put aside; empty where it was read. */
  aside: string;
  answers: number;
  /** Its writer wanted no more letters, and gets none. */
  stopped: boolean;
  settled: boolean;
  /** Of one that waits: the plants of whoever wrote it, those it names first. */
  plants: ReplyPlant[];
}

/** A plant that a reply may be about. */
export interface ReplyPlant {
  unionId: string;
  code: string;
  variety: string;
  position: string;
  /** Its code stands in the letter. */
  named: boolean;
  /** What was told of it last, in words; empty where nothing was. */
  told: string;
}
