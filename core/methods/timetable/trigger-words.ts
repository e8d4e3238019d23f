import type { LengthUnit } from '../../units/length';
import { saidLength } from '../../units/prose';
import { phaseWords } from './season-phases';
import { PLANT_EVENTS, type Trigger } from './trigger';

/**
 * A trigger in words.
 * @example triggerWords(growth(150, 250), 'in') // 'at 6 to 10 in of growth'
 */
export function triggerWords(trigger: Trigger, unit: LengthUnit): string {
  switch (trigger.kind) {
    case 'days':
      if (trigger.latest === 0) return 'at once';
      return trigger.earliest === trigger.latest
        ? `day ${trigger.best}`
        : `day ${trigger.earliest} to ${trigger.latest}`;
    case 'growth':
      return `at ${saidLength({ mm: trigger.from, to: trigger.to }, unit)} of growth`;
    case 'phase': {
      const words = phaseWords(trigger.phase, trigger.nth);
      if (trigger.offset === 0) return words;
      const days = Math.abs(trigger.offset);
      const far = days >= 14 && days % 7 === 0 ? `${days / 7} weeks` : `${days} days`;
      return trigger.offset > 0 ? `${words}, then ${far} more` : `${far} before ${words}`;
    }
    case 'event':
      if (trigger.after > 0) return `${trigger.after} days after ${PLANT_EVENTS[trigger.event]}`;
      return `${trigger.event === 'bud-grows' ? 'once' : 'when'} ${PLANT_EVENTS[trigger.event]}`;
    case 'recurring':
      return trigger.at === 'visit' ? 'with every visit' : 'each year';
  }
}
