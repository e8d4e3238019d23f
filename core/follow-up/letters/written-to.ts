/** Letters to an address of this name become text messages: a gateway, simulated by the folders of the mail service. */
const GATEWAY = 'texts.pear-bench.invalid';

/** The digits of a telephone number, with its + where it has one; null where they are too few or too many for one. */
function numberIn(phone: string): string | null {
  const digits = phone.replace(/\D/g, '');
  if (digits.length < 6 || digits.length > 15) return null;
  return `${phone.trim().startsWith('+') ? '+' : ''}${digits}`;
}

/** How somebody is written to: by mail where they left an address, else by text message to their number. */
export interface WrittenTo {
  address: string;
  byText: boolean;
}

/**
 * Where what is written to somebody goes; null where they left neither address nor number.
 *
 * @example writtenTo({ email: null, phone: '+99 70 114' }) // { address: '+9970114@texts.pear-bench.invalid', byText: true }
 */
export function writtenTo({ email, phone }: { email: string | null; phone: string | null }): WrittenTo | null {
  if (email) return { address: email, byText: false };
  const number = phone === null ? null : numberIn(phone);
  return number === null ? null : { address: `${number}@${GATEWAY}`, byText: true };
}

/**
 * The number a message came from through the gateway; null for any other sender.
 *
 * @example textedFrom('+9970114@texts.pear-bench.invalid') // '9970114'
 */
export function textedFrom(sender: string): string | null {
  const [name = '', domain] = sender.split('@');
  return domain?.toLowerCase() === GATEWAY ? (numberIn(name)?.replace('+', '') ?? null) : null;
}

/** Whether a number somebody left is the one a message came from. */
export function sameNumber(phone: string | null, number: string): boolean {
  return phone !== null && numberIn(phone)?.replace('+', '') === number;
}
