'use client';

import { useSyncExternalStore } from 'react';

/**
 * False while the page is the server's, true once the browser runs it. What stands there before it
 * listens loses what is typed into it, so parts that take long to come alive are drawn only then.
 */
export function useAlive(): boolean {
  return useSyncExternalStore(
    () => () => undefined,
    () => true,
    () => false,
  );
}
