/** What somebody says of a plant in so many words, beside its signs. */
export const SAID = ['alive', 'unsure', 'dead', 'not-found'] as const;
export type Said = (typeof SAID)[number];
