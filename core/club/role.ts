export const ROLES = ['lead', 'assistant', 'viewer'] as const;

/** What a member of a club may do: all, everything but members and what is set once, or look. */
export type Role = (typeof ROLES)[number];
