import type { Prose } from '../../units/prose';
import type { Trigger } from './trigger';

/** Something to do after the day, and what happens when it is left. */
export interface AftercareTask {
  id: string;
  name: Prose;
  trigger: Trigger;
  /** Days until it is due again, null for once. */
  every: number | null;
  missed: Prose | null;
}

/** A task; without a consequence where missing it only leaves one in the dark. */
export function task(
  id: string,
  name: Prose,
  trigger: Trigger,
  missed: Prose | null,
  every: number | null = null,
): AftercareTask {
  return { id, name, trigger, every, missed };
}
