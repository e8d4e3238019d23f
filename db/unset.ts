/**
 * Null in a condition on a column that may be empty: `IS NULL`. The mapper's types take a null column for one that is
 * never asked for, which is not so.
 */
export const UNSET = null as never;
