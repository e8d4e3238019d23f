/** A plant that is on record at a place. */
export interface Recorded {
  code: string;
  /** The lot of its wood: plants of one lot cannot be told apart by looking. */
  lot: string;
  /** Its number in planting order there; null where nobody noted one, as in a pail. */
  order: number | null;
  /** Its tag was seen there. */
  tagSeen: boolean;
}

/** A plant without a tag, with what can be seen of it. */
export interface Untagged {
  /** Orders of the plants next to it whose tags are on; null at an end, or where there is no order. */
  after: number | null;
  before: number | null;
  /** Its lot, where the flagging or the wood tells it; null where not. */
  lot: string | null;
  /** Plants there without a tag, this one among them. */
  untagged: number;
}

/** Which plant it is: it must be one, may be some, or cannot be known. */
export type LostTag =
  | { kind: 'must'; code: string }
  /** One of some; `lot` when all of them are of one, so that at least its variety is sure. */
  | { kind: 'may'; codes: string[]; lot: string | null }
  | { kind: 'unknown' };

/**
 * Which plant has lost its tag: one that is on record at the place, whose tag was not seen there, that stands between its
 * neighbours in planting order, and is of its lot where that can be told. It must be a plant only when no other is left,
 * and no other plant without a tag could be it too.
 *
 * @throws RangeError when fewer than this one are without a tag
 * @example lostTag({ after: 4, before: 6, lot: null, untagged: 1 }, recorded) // { kind: 'must', code: 'K7M2QP' }
 */
export function lostTag({ after, before, lot, untagged }: Untagged, recorded: readonly Recorded[]): LostTag {
  if (!(untagged >= 1)) throw new RangeError('A plant without its tag is at least one.');
  const missing = recorded.filter(({ tagSeen }) => !tagSeen);
  const between = ({ order }: Recorded): boolean =>
    order === null || ((after === null || order > after) && (before === null || order < before));
  const possible = missing.filter((plant) => between(plant) && (lot === null || plant.lot === lot));
  const [only] = possible;
  if (!only) return { kind: 'unknown' };
  // Where more are without a tag than are missing, one of them is a stranger, and it may be this one.
  if (possible.length === 1 && missing.length >= untagged) return { kind: 'must', code: only.code };
  const lots = new Set(possible.map((plant) => plant.lot));
  return { kind: 'may', codes: possible.map(({ code }) => code), lot: lots.size === 1 ? only.lot : null };
}
