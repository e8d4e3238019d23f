/** Number that MariaDB gave an error, or null for errors of other origin. */
export function databaseErrno(error: unknown): number | null {
  const parent = (error as { parent?: { errno?: number } } | null)?.parent;
  return parent?.errno ?? null;
}

/**
 * Numbers of errors after which nothing was done and the same can be asked again: deadlock (on a cluster
 * also a change that another node was quicker with), lock wait, a node that is not ready to serve.
 */
export const TRY_AGAIN: ReadonlySet<number> = new Set([1213, 1205, 1047]);
