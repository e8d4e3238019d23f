import { isPlantCode, normaliseCode } from '../../codes/plant-code';

interface Findable {
  seats: readonly { id: string; number: number; name: string }[];
  keepers: readonly { code: string; seatId: string }[];
}

/** What a scanned QR code or a typed line holds of a tag's code, or null: the code alone, or at the end of an address. */
export function codeIn(text: string): string | null {
  const code = normaliseCode(text.trim().split('/').at(-1)!.split('?')[0]!);
  return isPlantCode(code) ? code : null;
}

/**
 * Seats that somebody may mean: by number, by a tag's code (typed or scanned), or by a part of the
 * name, whatever its capitals and accents. The best first.
 */
export function findSeats(query: string, { seats, keepers }: Findable): string[] {
  const text = query.trim();
  if (text === '') return [];
  if (/^\d+$/.test(text)) return seats.filter(({ number }) => number === Number(text)).map(({ id }) => id);
  const code = codeIn(text);
  const tagged = code === null ? undefined : keepers.find((keeper) => keeper.code === code);
  if (tagged) return [tagged.seatId];
  const plain = (words: string): string => words.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  const wanted = plain(text);
  const starts = (name: string): boolean =>
    plain(name)
      .split(/\s+/)
      .some((word) => word.startsWith(wanted));
  return seats
    .filter(({ name }) => plain(name).includes(wanted))
    .sort((a, b) => Number(starts(b.name)) - Number(starts(a.name)) || a.number - b.number)
    .map(({ id }) => id);
}
