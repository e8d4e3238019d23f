/**
 * When dormant scions move, in days of healing at usual warmth: growth before `suspectBefore` is of spent wood, buds
 * swell from `swellFrom` to `swellBy`, a leaf shows about `leaf`, and some sleep until `asleepUntil`. Cold stretches
 * all of it. The one table that pages, tasks and advice go by. Source: usual practice.
 */
export const FIRST_MOVEMENT = { suspectBefore: 10, swellFrom: 10, swellBy: 14, leaf: 21, asleepUntil: 28 } as const;

const { suspectBefore, swellFrom, swellBy, leaf, asleepUntil } = FIRST_MOVEMENT;

export const SWELLING_WORDS = `buds swell from day ${swellFrom} to ${swellBy}, a leaf shows about day ${leaf}; some sleep for ${asleepUntil / 7} weeks`;
export const SPENT_WOOD_WORDS = `growth before day ${suspectBefore}: the wood was not dormant, lives on stored food and collapses`;
/** Said to whoever does not see anything yet. */
export const ASLEEP_WORDS = `up to ${asleepUntil / 7} weeks, longer in the cold`;
