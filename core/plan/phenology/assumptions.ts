import { USUAL_PRACTICE } from '../../units/figure-source';

/** A figure the plan goes by: editable at each site, with who says so. */
export interface Assumption {
  id: string;
  name: string;
  value: number;
  unit: string;
  /** How far the true figure may lie to either side, in the same unit. */
  margin: number;
  /** Null: nobody says so, it is our guess and its margin is wide. */
  source: string | null;
}

/** What a site has instead of the usual figure. */
export type Edits = Record<string, { value: number; margin: number; source: string }>;

const guess = (id: string, name: string, value: number, unit: string, margin: number): Assumption => ({
  id,
  name,
  value,
  unit,
  margin,
  source: null,
});
const known = (id: string, name: string, value: number, unit: string, margin: number): Assumption => ({
  id,
  name,
  value,
  unit,
  margin,
  source: USUAL_PRACTICE,
});

/** Warmth summed since midwinter at which buds swell, buds break and bark slips, by kin: guesses all. degC days above the base. */
const SPRING: Record<string, [swell: number, leaf: number, slip: number]> = {
  pome: [70, 150, 210],
  stone: [50, 120, 190],
  walnut: [190, 290, 350],
  hickory: [210, 310, 370],
  persimmon: [220, 320, 390],
  mulberry: [230, 320, 390],
  fig: [160, 260, 330],
  grape: [180, 270, 330],
  other: [120, 220, 290],
};

/**
 * Days after midwinter before which buds of a kin do not swell, however mild the winter: they have not had their cold, or the
 * days are too short. Guesses all.
 */
const STARTS: Record<string, number> = {
  pome: 45,
  stone: 32,
  walnut: 74,
  hickory: 80,
  persimmon: 70,
  mulberry: 62,
  fig: 52,
  grape: 66,
  other: 50,
};

/** Temperatures in which callus forms, degC. */
const CALLUSING = {
  pome: [15, 27],
  stone: [18, 24],
  walnut: [24, 29],
  hickory: [24, 29],
  grape: [24, 30],
  persimmon: [20, 27],
  mulberry: [20, 27],
  fig: [20, 27],
  citrus: [22, 30],
  mango: [22, 30],
} satisfies Record<string, [from: number, to: number]>;

/** Kin of which one knows in which warmth their cuts knit. */
export type KnittingKin = keyof typeof CALLUSING;

/** Temperatures at which cuts begin to knit, degC: guesses, but for pome fruit, which has its own figure below. */
const KNIT_FROM: Record<string, number> = {
  stone: 10,
  walnut: 18,
  hickory: 18,
  grape: 15,
  persimmon: 12,
  mulberry: 12,
  fig: 12,
  citrus: 13,
  mango: 15,
};

/** Kin whose cuts knit in greater heat than those of others, degC: guesses. */
const KNIT_STOP: Record<string, number> = { grape: 33, citrus: 34, mango: 34 };

export const KNITTING_KINS = Object.keys(CALLUSING) as KnittingKin[];

/** Days of usual warmth by which signs of a union are read: id, name, value, margin; guesses near what is usually said. */
const SIGN_DAYS: readonly [id: string, name: string, value: number, margin: number, unit?: string][] = [
  ['fed-growth', 'Dormant wood grows on stored food until day', 10, 3],
  ['sure-growth', 'A shoot that is long enough says alive from day', 21, 7],
  ['grown', 'A shoot is long enough from', 50, 20, 'mm'],
  ['again', 'Where signs do not say, one looks again after', 7, 3],
  ['sleeper', 'A sleeping bud is waited for after its kin came into leaf', 42, 14],
  ['shield', 'A shield says nothing before day', 7, 3],
  ['shield-brown', 'A brown shield says dead from day', 14, 4],
  ['shield-plump', 'A plump shield says alive from day', 10, 4],
  ['patch-brown', 'A brown patch says dead from day', 21, 7],
  ['patch-green', 'A green patch with a sound bud says alive from day', 14, 7],
  ['callus', 'Callus says nothing before day', 10, 4],
  ['buds', 'Swelling buds of dormant wood say nothing before day', 10, 4],
  ['wrinkled', 'A wrinkled or black scion outdoors says dead from day', 28, 7],
  ['tip-black', 'A black tip says dead from day', 14, 7],
  ['tip-swells', 'A swelling tip says alive from day', 21, 9],
  ['dead-bench', 'Dead can be known of a bench graft from day', 28, 7],
  ['dead-dormant', 'Dead can be known of dormant wood outdoors from day', 56, 14],
  ['dead-bud', 'Dead can be known of a forced bud or a patch of spring from day', 21, 7],
  ['dead-green', 'Dead can be known of a growing or evergreen tip from day', 45, 14],
  ['green-scratch', 'While a scratch or a patch is green, one looks again after', 14, 7],
];

export const ASSUMPTIONS: readonly Assumption[] = [
  guess('base', 'Temperature above which spring warmth counts', 5, '°C', 0),
  guess('warm-year', 'How much warmer or colder a spring may be than usual', 1.5, '°C more or less', 0),
  ...Object.entries(SPRING).flatMap(([kin, [swell, leavesOut, slip]]) => [
    guess(`${kin}.swell`, `Buds swell, ${kin} kin`, swell, '°C days', Math.round(swell * 0.3)),
    guess(`${kin}.leaf`, `Leaves out, ${kin} kin`, leavesOut, '°C days', Math.round(leavesOut * 0.3)),
    guess(`${kin}.slip`, `Bark slips, ${kin} kin`, slip, '°C days', Math.round(slip * 0.3)),
  ]),
  ...Object.entries(STARTS).map(([kin, days]) =>
    guess(`${kin}.start`, `Buds swell no earlier than this long after midwinter, ${kin} kin`, days, 'days', 10),
  ),
  guess('frost-sleep', 'Leaves fall at the latest this long after the first frost', 14, 'days', 7),
  guess('bud-ripe', 'Buds of this season are ripe to sleep this long after leaves are out', 65, 'days', 10),
  guess('bud-knit', 'Days of full warmth in which a bud knits before the frost', 14, 'days', 4),
  guess('evergreen-warm', 'Mean of the day from which evergreens grow', 14, '°C', 1.5),
  guess('flush-hard', 'Shoots of a flush are firm enough to graft with after', 35, 'days', 10),
  guess('evergreen-spring', 'Evergreens are grafted with wood for this long after it turns warm', 100, 'days', 14),
  guess('sleep', 'Mean of the day below which leaves fall', 8, '°C', 1.5),
  guess('sleep-lag', 'Days from leaf fall until wood is safely dormant', 21, 'days', 10),
  guess('slip-end', 'Mean of the day below which bark tightens in autumn', 13, '°C', 2),
  guess('warm', 'Mean of the day from which shoots count as growing in warmth', 16, '°C', 1.5),
  guess('spring-slip', 'How long spring bark methods go on after bark first slips', 70, 'days', 14),
  guess('budwood-ripe', 'Budwood of the season can be cut this long after leaves are out', 35, 'days', 10),
  guess('ripen', 'A bud that is forced the same season wants this long before the first frost', 110, 'days', 20),
  known('bud-open', 'A bud set earlier than this before the first frost may break before winter', 70, 'days', 7),
  known('wood-early', 'Wood is cut at most this long before bench work', 70, 'days', 0),
  known('wood-late', 'Wood is cut at least this long before bench work', 28, 'days', 0),
  known('wood-early-leaf', 'Wood is cut at most this long before a method done in leaf', 112, 'days', 0),
  known('wood-late-leaf', 'Wood is cut at least this long before a method done in leaf', 70, 'days', 0),
  guess('wood-order', 'Wood by post is ordered this long before the last day of cutting', 30, 'days', 14),
  guess('wood-check', 'Days between looks at stored wood', 14, 'days', 7),
  guess('stocks-order', 'Stocks are ordered this long before', 120, 'days', 30),
  known('stocks-warm', 'Bench stocks are brought into warmth this long before', 10, 'days', 3),
  guess('bench-lead', 'Warmed stocks can be ready this long before their buds would swell outdoors', 60, 'days', 14),
  guess('field-lead', 'Field work starts this long before buds swell', 21, 'days', 7),
  guess('after-leaf', 'Dormant wood goes on stocks outdoors until this long after their leaves are out', 10, 'days', 7),
  guess(
    'after-leaf-potted',
    'Dormant wood goes on stocks at the bench and in pots until this long after their kind is in leaf outdoors',
    35,
    'days',
    7,
  ),
  known('bleed-early', 'Bleeding stocks are cut off at most this long before', 10, 'days', 0),
  known('bleed-late', 'Bleeding stocks are cut off at least this long before', 7, 'days', 0),
  known('water', 'Stocks are watered from this long before a method that needs slipping bark', 7, 'days', 0),
  known('budwood', 'Budwood keeps this long in the cold', 5, 'days', 0),
  known('callus', 'Bench grafts callus in warmth', 14, 'days', 0),
  ...Object.entries(CALLUSING).flatMap(([kin, [from, to]]) => [
    known(`${kin}.callus-from`, `Callus forms from, ${kin} kin`, from, '°C', 0),
    known(`${kin}.callus-to`, `Callus forms up to, ${kin} kin`, to, '°C', 0),
  ]),
  known('pome.callus-slow', 'Callus still forms, slowly and safely, pome kin', 7, '°C', 0),
  known('callus-stop', 'Callus fails above', 32, '°C', 0),
  ...Object.entries(KNIT_FROM).map(([kin, from]) =>
    guess(`${kin}.knit-from`, `Cuts begin to knit above, ${kin} kin`, from, '°C', 2),
  ),
  ...Object.entries(KNIT_STOP).map(([kin, stop]) =>
    guess(`${kin}.knit-stop`, `Cuts knit no more above, ${kin} kin`, stop, '°C', 1),
  ),
  known('girdle', 'New growth at which a tie that does not give cuts in', 300, 'mm', 50),
  guess('leafed-hold', 'Bench grafts that leafed out too far can be held back in the cool for', 28, 'days', 14),
  guess('hot-day', 'Highest temperature of a day from which dark, uncovered unions are shaded', 30, '°C', 2),
  guess('brace-years', 'Brace and guard stay on for so long', 4, 'years', 1),
  guess('late', 'Days past its window after which a task counts as missed', 21, 'days', 7),
  ...SIGN_DAYS.map(([id, name, value, margin, unit = 'days']) => guess(`sign.${id}`, name, value, unit, margin)),
];

const USUAL = new Map(ASSUMPTIONS.map((assumption) => [assumption.id, assumption]));

/** A way to look figures up: the site's own first. @throws Error for an id nobody knows. */
export type AssumptionById = (id: string) => Assumption;

export function assumptionsWith(edits: Edits): AssumptionById {
  return (id) => {
    const usual = USUAL.get(id);
    if (!usual) throw new Error(`No assumption is called "${id}".`);
    const edit = edits[id];
    return edit
      ? { ...usual, value: edit.value, margin: edit.margin, source: edit.source === '' ? null : edit.source }
      : usual;
  };
}

/** Temperatures for callus of a kin, degC; null where nothing is known. `slow` is where it still goes on. */
export function callusRange(
  kin: string | null,
  assumption: AssumptionById,
): { from: number; to: number; slow: number; source: string | null } | null {
  if (!kin || !(kin in CALLUSING)) return null;
  const from = assumption(`${kin}.callus-from`);
  return {
    from: from.value,
    to: assumption(`${kin}.callus-to`).value,
    slow: USUAL.has(`${kin}.callus-slow`) ? assumption(`${kin}.callus-slow`).value : from.value,
    source: from.source,
  };
}

/** Temperatures of a kin between which its cuts knit, degC: from `a` on, fully from `b` to `c`, no more from `d` on. */
export function knittingBand(
  kin: KnittingKin,
  assumption: AssumptionById,
): { a: number; b: number; c: number; d: number } {
  const value = (id: string): number => assumption(id).value;
  return {
    a: value(kin === 'pome' ? 'pome.callus-slow' : `${kin}.knit-from`),
    b: value(`${kin}.callus-from`),
    c: value(`${kin}.callus-to`),
    d: value(kin in KNIT_STOP ? `${kin}.knit-stop` : 'callus-stop'),
  };
}

/** The spring figures of a kin stand under its name, those of any other under "other". */
export function springKin(kin: string | null): string {
  return kin && kin in SPRING ? kin : 'other';
}
