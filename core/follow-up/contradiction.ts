/** One of the answers that contradict each other. */
export interface Side {
  reportId: string;
  says: 'alive' | 'dead';
  seenOn: string;
  /** What was told, of what, and how it came. */
  words: string;
  note: string;
}

/** A union seen alive after it was seen dead, with both sides. */
export interface Contradiction {
  unionId: string;
  code: string;
  variety: string;
  grower: string;
  alive: Side[];
  dead: Side[];
}
