import { addDays, type IsoDate } from '../../units/iso-date';
import type { Known } from './due-window';
import { phaseWindow } from './season-phases';

/** A graft made so many days before its kin's next leaves is kept for that spring; beyond it, it was made after the leaves. */
const SAME_SPRING = 120;

/**
 * The day from which a bench graft can grow: it was kept cool until it was planted out, or until plants of its kind come into leaf
 * where nobody noted the planting. One that is made when they are in leaf already, or where nothing sleeps, grows at once.
 *
 * @param plantedOn the day it was planted out, once it was
 * @example outOfTheCool('2027-03-06', { turnsOf: usualTurns('north') }) // in April
 */
export function outOfTheCool(madeOn: IsoDate, { turnsOf }: Known, plantedOn?: IsoDate): IsoDate {
  if (plantedOn !== undefined) return plantedOn > madeOn ? plantedOn : madeOn;
  const leaves = turnsOf && phaseWindow('kin-in-leaf', 1, madeOn, turnsOf);
  return leaves && leaves.from > madeOn && leaves.from <= addDays(madeOn, SAME_SPRING) ? leaves.from : madeOn;
}
