import EmailReplyParser from 'email-reply-parser';
import { convert } from 'html-to-text';
import { simpleParser } from 'mailparser';

/** A letter that came in, as far as it is read. */
export interface ReadLetter {
  from: string;
  /** Every address it was sent to. */
  to: string[];
  /** Ids of the messages it answers. */
  answersTo: string[];
  subject: string;
  /** What its writer wrote, without what they quote. */
  text: string;
  sentAt: Date | null;
}

/** Text of a letter that is looked at, characters. */
const MOST_TEXT = 10_000;
/** Of its source; more is cut before anything is made of it: what people write themselves stands first. */
const MOST_SOURCE = 100_000;
/** Lines of the file: photos of the largest letter there may be have fewer. */
const MOST_LINES = 200_000;

/**
 * Reads an .eml file (RFC 5322): the plain text, or the words of its HTML where it has no other. What it costs grows with
 * the letter and no faster, but a letter may be made to be slow: it is read in a thread with a limit (server/jobs).
 *
 * @returns null for what is no letter: no sender, or nothing in it
 */
export async function readEml(bytes: Buffer): Promise<ReadLetter | null> {
  const letter = await simpleParser(firstLines(bytes, MOST_LINES), {
    skipImageLinks: true,
    skipTextToHtml: true,
    skipTextLinks: true,
    // Made into words below, within limits.
    skipHtmlToText: true,
  }).catch(() => null);
  const from = letter?.from?.value[0]?.address;
  if (!letter || !from) return null;
  const to = [letter.to ?? []].flat().flatMap(({ value }) => value.flatMap(({ address }) => address ?? []));
  const whole = letter.text?.trim() ? letter.text : wordsOf(letter.html || '');
  return {
    from: from.toLowerCase().slice(0, 254),
    to: to.map((address) => address.toLowerCase()),
    answersTo: [letter.inReplyTo ?? [], letter.references ?? []].flat().map((id) => id.toLowerCase()),
    subject: (letter.subject ?? '').toWellFormed().slice(0, 300),
    text: new EmailReplyParser().read(squeezed(whole)).getVisibleText().trim(),
    sentAt: letter.date && !Number.isNaN(letter.date.getTime()) ? letter.date : null,
  };
}

/** The words of HTML, as deep and as many as a person writes. */
function wordsOf(html: string): string {
  return convert(html.slice(0, MOST_SOURCE), {
    wordwrap: false,
    limits: { maxDepth: 30, maxChildNodes: 1000 },
    selectors: [
      { selector: 'a', options: { ignoreHref: true } },
      { selector: 'img', format: 'skip' },
    ],
  });
}

/** Text without the blank that stands at the ends of lines and more than one empty line, cut to what is looked at. */
function squeezed(text: string): string {
  const lines: string[] = [];
  for (const line of text
    .slice(0, MOST_SOURCE)
    .toWellFormed()
    .split(/\r\n|\r|\n/)) {
    const words = line.trimEnd();
    if (words !== '' || lines.at(-1) !== '') lines.push(words);
  }
  return lines.join('\n').slice(0, MOST_TEXT);
}

/** The beginning of a file, so many lines of it. */
function firstLines(bytes: Buffer, most: number): Buffer {
  let end = -1;
  for (let line = 0; line < most; line++) {
    end = bytes.indexOf(0x0a, end + 1);
    if (end === -1) return bytes;
  }
  return bytes.subarray(0, end + 1);
}
