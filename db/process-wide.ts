const things = globalThis as typeof globalThis & { pearBench?: Map<string, unknown> };

/**
 * Something there is one of in a process: the framework may load a module twice, for pages and for routes, and two
 * pools of connections or two of each cache would be held.
 *
 * @param name of the thing
 * @param make makes it when it is first asked for
 */
export function processWide<Thing>(name: string, make: () => Thing): Thing {
  const known = (things.pearBench ??= new Map());
  if (!known.has(name)) known.set(name, make());
  return known.get(name) as Thing;
}
