/** One person of a roster file, as read; `problems` say what is wrong with the line. */
export interface RosterLine {
  line: number;
  name: string;
  email: string;
  phone: string;
  mayContact: boolean;
  problems: string[];
}

/** What would happen to a line: somebody new, somebody known, already seated, to be asked about, or not readable. */
export type Match = 'new' | 'known' | 'seated' | 'ask' | 'problem';

/** What is decided about a line in doubt. */
export type Decision = 'same' | 'new' | 'skip';

/** A line with what it would do. */
export interface PreviewLine extends RosterLine {
  match: Match;
  /** The person it may be, for `known`, `seated` and `ask`; no id where it may be that of an earlier line. */
  personId: string | null;
  personName: string | null;
  /** An earlier line of the file with the same address under another name. */
  sameAddressAs: number | null;
}
