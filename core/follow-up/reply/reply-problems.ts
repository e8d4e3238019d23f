/** Why a reply was not read: the instructor is shown it instead. */
export const REPLY_PROBLEMS = {
  forwarded: 'It passes on somebody else’s letter.',
  'no-code': 'No code of a plant stands in it.',
  'several-codes': 'Two codes stand before one answer, so it could mean either.',
  'no-words': 'After a code stands none of the words that are understood.',
  doubtful: 'It says more, or something else, than that a graft lives or is dead now.',
  'unknown-code': 'A code in it belongs to no plant.',
  'not-theirs': 'A code in it belongs to a plant that is not the sender’s.',
  'unknown-sender': 'Nobody on record writes from this address.',
  'not-asked': 'Nothing can be told of one of its plants yet.',
  day: 'It bears a day before the plant was grafted, or one still to come.',
  damaged: 'The file is no letter that can be read.',
  unproven:
    'It answers none of our letters to this address, so anybody may have written it. Ask the person, then enter what they say.',
  'too-large': 'The file is larger than any letter is read.',
  'no-file': 'It is no file that can be opened.',
  'too-slow': 'Reading it took too long, so it was given up.',
  fault: 'Something went wrong while it was read; the log of the server says what.',
} as const;
export type ReplyProblem = keyof typeof REPLY_PROBLEMS;

/** Of letters that could not even be opened: their files lie in the folder `put-aside` of the inbox. */
export const PUT_ASIDE: readonly ReplyProblem[] = ['damaged', 'too-large', 'no-file', 'too-slow', 'fault'];
