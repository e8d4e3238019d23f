import EmailReplyParser from 'email-reply-parser';
import { simpleParser } from 'mailparser';

/** A letter that came in, as far as it is read. */
export interface ReadLetter {
  from: string;
  /** Every address it was sent to. */
  to: string[];
  subject: string;
  /** What its writer wrote, without what they quote. */
  text: string;
  sentAt: Date | null;
}

/** Text of a letter that is looked at, characters. */
const MOST_TEXT = 10_000;

/**
 * Reads an .eml file (RFC 5322): the plain text, or the words of its HTML where it has no other.
 *
 * @returns null for what is no letter: no sender, or nothing in it
 */
export async function readEml(bytes: Buffer): Promise<ReadLetter | null> {
  const letter = await simpleParser(bytes, { skipImageLinks: true, skipTextToHtml: true }).catch(() => null);
  const from = letter?.from?.value[0]?.address;
  if (!letter || !from) return null;
  const to = [letter.to ?? []].flat().flatMap(({ value }) => value.flatMap(({ address }) => address ?? []));
  const whole = (letter.text ?? '').toWellFormed().slice(0, MOST_TEXT);
  return {
    from: from.toLowerCase(),
    to: to.map((address) => address.toLowerCase()),
    subject: (letter.subject ?? '').toWellFormed().slice(0, 300),
    text: new EmailReplyParser().read(whole).getVisibleText().trim(),
    sentAt: letter.date ?? null,
  };
}
