import type { Method } from './method';

/** Methods that a build of one's own brings along; a build may put another list in this one's place. */
export const MORE_METHODS: readonly Method[] = [];
