/** Something that went wrong today, and how often. */
export interface Fault {
  what: string;
  times: number;
  last: Date;
}

/** The last backup that was made, played back for a trial and found whole. */
export interface LastGood {
  file: string;
  at: string;
  /** Only the lead's key opens it. Earlier versions did not say. */
  encrypted?: boolean;
  bytes: number;
  rows: number;
  letters: number;
}

/** A backup that was played back in full on this machine, as after a loss, and what it was. */
export interface LastDrill {
  at: string;
  file: string;
  rows: number;
}

/** How a server runs. */
export interface ServerStatus {
  now: Date;
  startedAt: Date;
  mail: {
    lastRead: Date | null;
    lastWritten: Date | null;
    waiting: number;
    /** Letters of the club that could not be read, and nobody has looked at yet. */
    unread: number;
    /** Letters that are for no club on this server. */
    nobodys: number;
    /** Last time all clubs were looked through for grafts to ask about; null since the start. */
    lastAsked: Date | null;
  };
  backup: LastGood | null;
  drill: LastDrill | null;
  drillDue: boolean;
  /** Longest time today without an answer, ms. */
  longestPause: number | null;
  faults: Fault[];
  disk: { free: number; all: number; short: boolean };
  memory: { used: number; free: number; all: number };
}
