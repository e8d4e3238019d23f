/*
 * Minutes that a task of one union takes with the knife in hand, by its id. Our guesses; a day that was counted shows
 * better.
 */
const MINUTES: Record<string, number> = {
  roots: 3,
  'plant-out': 8,
  'binding-off': 2,
  'unwrap-bud': 2,
  'bag-open': 3,
  'cover-off': 3,
  'foil-off': 1,
  'head-back': 2,
  'head-back-last': 2,
  'patch-top': 4,
  'lop-off': 3,
  'tie-up': 4,
  guard: 10,
  support: 4,
  nurse: 6,
  'low-branches': 5,
  suckers: 2,
  scions: 5,
  'dead-wood': 4,
  'stock-shoots': 3,
  'second-chance': 8,
  reseal: 3,
  'dark-seal': 3,
};
const USUAL = 1;

/** What is looked at once a season along a whole row, by its id: a line of its own, and seconds a plant. */
const ROW_TASKS: ReadonlySet<string> = new Set(['first-crop', 'collar', 'brace']);
const IN_PASSING = 0.2;

/** Whether a task is done along a row, and not plant by plant. */
export function isRowTask(task: string): boolean {
  return ROW_TASKS.has(task);
}

/** @example minutesOf('plant-out') // 8 */
export function minutesOf(task: string): number {
  return isRowTask(task) ? IN_PASSING : (MINUTES[task] ?? USUAL);
}

/** Whole minutes that some tasks of some plants take together. */
export function minutesTogether(tasks: readonly string[]): number {
  return Math.ceil(tasks.reduce((sum, task) => sum + minutesOf(task), 0));
}

/** What is taken along for a task, by its id; what is not named is done with the hand and the eye. */
const TOOLS: Record<string, readonly string[]> = {
  'binding-off': ['knife'],
  'unwrap-bud': ['knife'],
  'bag-open': ['knife'],
  'cover-off': ['knife', 'bag for rubbish'],
  'foil-off': ['bag for rubbish'],
  'head-back': ['secateurs'],
  'head-back-last': ['secateurs'],
  'head-1': ['secateurs'],
  'head-2': ['secateurs'],
  'head-3': ['secateurs'],
  'patch-top': ['saw', 'sealant', 'white paint'],
  'lop-off': ['secateurs', 'stakes', 'ties'],
  'tie-up': ['stakes', 'ties'],
  'tie-stub': ['ties', 'secateurs'],
  'one-shoot': ['secateurs'],
  'side-shoots': ['secateurs'],
  guard: ['braces', 'ties'],
  brace: ['ties', 'secateurs'],
  support: ['splints', 'ties'],
  nurse: ['saw', 'secateurs'],
  'low-branches': ['secateurs'],
  scions: ['secateurs'],
  'dead-wood': ['saw', 'secateurs'],
  'stock-shoots': ['secateurs'],
  'second-chance': ['grafting knife', 'budding rubbers', 'wood from the cold'],
  reseal: ['sealant'],
  'dark-seal': ['white paint', 'foil'],
  'plant-out': ['spade', 'stakes', 'water'],
  roots: ['secateurs', 'pots and soil'],
  'soft-bark': ['shade cloth'],
  shade: ['shade cloth'],
};

/** Brought on every visit: water, labels and something to write. */
export const ALWAYS_BROUGHT = ['water', 'labels and pencil'];

/** Tools for some tasks, each once. */
export function toolsFor(tasks: readonly string[]): string[] {
  return [...new Set(tasks.flatMap((task) => TOOLS[task] ?? []))].sort();
}
