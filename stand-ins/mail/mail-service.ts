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

  /** Letters that came in, in the order of their names. */
  received: () => Promise<ReceivedMail[]>;
  /** A letter that came in and was kept elsewhere: it is taken out of the inbox. */
  takeOut: (name: string) => Promise<void>;
}

/** A letter that came in, as it came. */
export interface ReceivedMail {
  name: string;
  /** Null for one that is larger than any letter is read. */
  bytes: Buffer | null;
}
