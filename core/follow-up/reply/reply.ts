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
}
