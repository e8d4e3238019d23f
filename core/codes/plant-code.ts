/** Letters and digits that cannot be misread for one another: no 0 O, no 1 I L. 31 of them, a prime. */
export const ALPHABET = '23456789ABCDEFGHJKMNPQRSTUVWXYZ';

const PRIME = 31;
/** Characters before the check character. 31^5 is more than 28 million codes. */
const BODY = 5;

/**
 * Check character of a code's body: a weighted sum modulo a prime. The weights 2, 3, ... are
 * distinct and below the prime, and the check character's own weight 1 is none of them, so a single
 * wrong character always changes the sum, and so does swapping two neighbours that differ.
 */
function checkCharacter(body: string): string {
  let sum = 0;
  for (let i = 0; i < body.length; i++) sum += (body.length - i + 1) * ALPHABET.indexOf(body[i]!);
  return ALPHABET[(PRIME - (sum % PRIME)) % PRIME]!;
}

/**
 * A code for a tag from random bytes (at least {@link BODY}), five characters and a check character.
 * Bytes of 248 and more are skipped so that every code is equally likely.
 *
 * @returns null when too few usable bytes were given: draw again.
 */
export function codeFromBytes(bytes: Uint8Array): string | null {
  let body = '';
  for (const byte of bytes) {
    if (byte >= 248) continue;
    body += ALPHABET[byte % PRIME];
    if (body.length === BODY) return body + checkCharacter(body);
  }
  return null;
}

/** True when all characters are of the alphabet and the check character fits. */
export function isPlantCode(text: string): boolean {
  if (text.length !== BODY + 1 || [...text].some((character) => !ALPHABET.includes(character))) return false;
  return checkCharacter(text.slice(0, BODY)) === text[BODY];
}

/** A code as somebody typed or dictated it: spaces and dashes out, capitals. */
export function normaliseCode(text: string): string {
  return text.replace(/[\s-]/g, '').toUpperCase();
}

/** As printed: "K7M 4XQ", two threes are easier to read out. */
export function formatCode(code: string): string {
  return `${code.slice(0, 3)} ${code.slice(3)}`;
}

/** Six letters and digits, or two threes with a space or dash between them. */
const CODE_LIKE = /(?<![\p{L}\p{N}])([a-z0-9]{3})[ -]?([a-z0-9]{3})(?![\p{L}\p{N}])/giu;

/**
 * What looks like codes in a text, in its order: `codes` that can be ones, and `damaged` that were meant as ones and
 * misread or mistyped. Words are none: a code without a digit counts only in capitals.
 *
 * @example codesIn('my K7M 4XQ is fine').codes // ['K7M4XQ']
 */
export function codesIn(text: string): { codes: string[]; damaged: string[] } {
  const { codes, damaged } = codesAt(text, '');
  return { codes, damaged };
}

/** The same, with the text in which `mark` stands for each code. */
export function codesAt(text: string, mark: string): { codes: string[]; damaged: string[]; marked: string } {
  const codes: string[] = [];
  const damaged: string[] = [];
  let marked = '';
  let done = 0;
  // Looked for anew after each hit: what stands before a code must not take half of it.
  const search = new RegExp(CODE_LIKE);
  for (let hit = search.exec(text); hit; hit = search.exec(text)) {
    const typed = `${hit[1]}${hit[2]}`;
    const code = typed.toUpperCase();
    const hasDigit = /\d/.test(code);
    if (isPlantCode(code) && (hasDigit || typed === code)) {
      codes.push(code);
      marked += `${text.slice(done, hit.index)}${mark}`;
      done = search.lastIndex;
    } else {
      if (hasDigit && /[A-Z]/.test(code) && hit[0].length === 6) damaged.push(code);
      search.lastIndex = hit.index + 3;
    }
  }
  return { codes, damaged, marked: marked + text.slice(done) };
}
