/** Buds a scion carries, by the option chosen of the school question of buds. */
export const BUD_COUNTS: ReadonlyMap<string, number> = new Map([
  ['one', 1],
  ['two', 2],
  ['three', 3],
]);
