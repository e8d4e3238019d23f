/**
 * Evidence of the record that no club can have here, and why. It can still be told in the guide's notes, and a table may
 * keep a strength for it.
 */
export const UNKNOWABLE: Readonly<Record<string, string>> = {
  'join-slow': 'the time from the last cut to the join is not judged against a clock',
  'bleeder-cut-that-day': 'when a bleeding stock was cut off and gashed is planned and not kept',
  'bark-nicked': 'taking a wrap off is marked as done, not how it went',
  'stock-weak': 'no point judges the vigour of a stock on the day',
  'water-missed': 'watering is a line of every visit and is not marked by itself',
};
