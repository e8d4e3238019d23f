import type { Trigger } from './trigger';

/** Something to do after the day, and what happens when it is left. */
export interface AftercareTask {
  id: string;
  name: string;
  trigger: Trigger;
  /** Days until it is due again, null for once. */
  every: number | null;
  missed: string | null;
}
