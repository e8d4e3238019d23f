/**
 * A list in groups, each in the list's order, groups in the order of their first member.
 *
 * @example groupedBy(['ash', 'oak', 'ant'], (word) => word[0]) // Map { 'a' => ['ash', 'ant'], 'o' => ['oak'] }
 */
export function groupedBy<Item, Key>(list: readonly Item[], keyOf: (item: Item) => Key): Map<Key, Item[]> {
  const groups = new Map<Key, Item[]>();
  for (const item of list) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
