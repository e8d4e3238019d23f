/** What makes a task due: days since the union, a length of growth in mm, a season, or something seen. */
export type Trigger =
  | { kind: 'days'; earliest: number; best: number; latest: number }
  | { kind: 'growth'; from: number }
  | { kind: 'season'; when: string }
  | { kind: 'seen'; what: string };

/** Something to do after the day, and what happens when it is left. */
export interface AftercareTask {
  id: string;
  name: string;
  trigger: Trigger;
  /** Days until it is due again, null for once. */
  every: number | null;
  missed: string | null;
}

/** A trigger in words. */
export function triggerWords(trigger: Trigger, length: (mm: number) => string): string {
  switch (trigger.kind) {
    case 'days':
      if (trigger.latest === 0) return 'at once';
      return trigger.earliest === trigger.latest
        ? `day ${trigger.best}`
        : `day ${trigger.earliest} to ${trigger.latest}`;
    case 'growth':
      return `at ${length(trigger.from)} of growth`;
    case 'season':
      return trigger.when;
    case 'seen':
      return trigger.what;
  }
}
