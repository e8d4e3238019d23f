import { addDays, type IsoDate } from '../../units/iso-date';
import { phaseWindow, type SeasonPhaseId, type TurnsOfYear } from './season-phases';
import type { PlantEvent, Trigger } from './trigger';

/** Days between which a thing is due. */
export interface DueWindow {
  from: IsoDate;
  to: IsoDate;
}

/** What is known of a union besides its day, to date what hangs on more than days. */
export interface Known {
  turnsOf?: (year: number) => TurnsOfYear;
  /** Days on which events were seen. */
  seen?: Partial<Record<PlantEvent, IsoDate>>;
}

/**
 * When a trigger falls for a union made on a day.
 * Days of healing are read at usual warmth; growth has no day before it was measured.
 * @returns null where it cannot be dated yet.
 */
export function dueWindow(trigger: Trigger, madeOn: IsoDate, { turnsOf, seen }: Known = {}): DueWindow | null {
  switch (trigger.kind) {
    case 'days':
      return { from: addDays(madeOn, trigger.earliest), to: addDays(madeOn, trigger.latest) };
    case 'phase': {
      const window = turnsOf ? windowOfPhase(trigger, madeOn, turnsOf) : null;
      if (!window) return null;
      const [from, to] = [addDays(window.from, trigger.offset), addDays(window.to, trigger.offset)];
      // A phase the union is made in has begun without it.
      return { from: from < madeOn && to >= madeOn ? madeOn : from, to };
    }
    case 'event': {
      const day = seen?.[trigger.event];
      return day === undefined ? null : { from: addDays(day, trigger.after), to: addDays(day, trigger.after) };
    }
    case 'growth':
    case 'recurring':
      return null;
  }
}

type PhaseTrigger = Extract<Trigger, { kind: 'phase' }>;

function windowOfPhase(
  { phase, nth, notBefore, past }: PhaseTrigger,
  madeOn: IsoDate,
  turnsOf: (year: number) => TurnsOfYear,
): DueWindow | null {
  /** The nth one; what began too early is left to the next. */
  const nthFrom = (id: SeasonPhaseId, n: number): DueWindow | null => {
    const window = phaseWindow(id, n, madeOn, turnsOf);
    const early = window && notBefore !== undefined && window.from < addDays(madeOn, notBefore);
    return early ? phaseWindow(id, n + 1, madeOn, turnsOf) : window;
  };
  if (!past) return nthFrom(phase, nth);
  const passed = nthFrom(past, 1);
  return passed && phaseWindow(phase, nth, passed.to, turnsOf);
}
