/** A message as it was sent. */
export interface SentMail {
  to: string;
  subject: string;
  text: string;
  date: Date | null;
}

/**
 * What the product asks of a mail service. A message is prepared before the transaction that
 * speaks of it commits and released after, so that neither a lost message nor a stray one results
 * from a server that dies in between. `id` is the message's own, so releasing twice sends once.
 */
export interface MailService {
  prepare(id: string, eml: Buffer): Promise<void>;
  /** Sends it; false when it is not there, neither prepared nor sent. */
  release(id: string): Promise<boolean>;
  discard(id: string): Promise<void>;
  /** Prepared messages that were neither released nor discarded, with the moment each was prepared. */
  unsent(): Promise<{ id: string; since: Date }[]>;
  /** A prepared message that was not released; null when there is none. */
  readUnsent(id: string): Promise<SentMail | null>;
  /** A message that was sent; null when it is not there, or was erased. */
  read(id: string): Promise<SentMail | null>;

  /** Letters that came in, the oldest first, `most` of them; what is taken out or put aside is not told again. */
  received: (most: number) => Promise<ReceivedMail[]>;
  /**
   * The bytes of a letter that came in.
   *
   * @throws UnreadableMail where it cannot be had, and why
   */
  open: (name: string) => Promise<Buffer>;
  /** A letter that came in and was kept elsewhere: it is taken out of the inbox. */
  takeOut: (name: string) => Promise<void>;
  /** A letter that could not be read, or is for nobody here: kept as it came, where no turn meets it again. */
  putAside: (name: string, folder: AsideFolder) => Promise<void>;
  /** Puts a letter that could not be read back into the inbox; false when its file is gone. */
  takeBack: (name: string) => Promise<boolean>;
  /** How many letters lie in a folder of those that were put aside. */
  countAside: (folder: AsideFolder) => Promise<number>;
}

/** Where letters are put aside: those that could not be read, and those that belong to no club. */
export type AsideFolder = 'put-aside' | 'no-club';

/** A letter that came in. */
export interface ReceivedMail {
  name: string;
  /** When it came; null where that cannot be told. */
  at: Date | null;
}

/** Why a letter that came in cannot be opened. */
export class UnreadableMail extends Error {
  constructor(readonly why: 'too-large' | 'no-file') {
    super(`The letter cannot be opened: ${why}.`);
  }
}
