import type { Prose } from '../../units/prose';
import type { AnswerTo } from '../school';
import type { SOFT_BARK, TAPE_OFF, WRAP_OFF } from '../schools/of-aftercare';
import type { BINDING, BudCover, RUBBER_OFF, STRETCH_OFF, TAPE_OFF_BY } from '../schools/of-covering';
import { type AftercareTask, task } from './aftercare-task';
import { calendarDays, event, growth, healingDays, phase, phaseNotBefore, type Trigger } from './trigger';

/* How bindings come off, by what they are made of and by school. Source: usual practice, aftercare; method sheets. */

const GIRDLES = 'It girdles.';
const off = (name: Prose, trigger: Trigger, missed = GIRDLES): AftercareTask =>
  task('binding-off', name, trigger, missed);

/** Stretch tape gives and falls apart by itself, mostly. */
export function stretchOff(how: AnswerTo<typeof STRETCH_OFF>): AftercareTask {
  switch (how) {
    case 'look':
      return off('Look at the stretch tape, and take off what a dull summer has left of it', phase('late-summer'));
    case 'unwind':
      return off('Cut the knot of the tape and unwind it', phase('late-summer'));
    case 'slit':
      return off('Slit the tape on the side away from the buds', growth(300));
    case 'perforate':
      return off('Perforate the tape in several places and let growth burst it', growth(300));
  }
}

const UNDO: Record<AnswerTo<typeof TAPE_OFF_BY>, string> = {
  unwind: 'Cut the knot and unwind',
  slit: 'Slit, on the side away from the buds,',
};
const WINTERED: Prose = 'It girdles in the next spring’s growth; earlier where the girth strains it.';

/** Tape that neither gives nor rots: vinyl, insulating, cloth. */
export const tapeOff = (tape: string, how: AnswerTo<typeof TAPE_OFF_BY>, when: AnswerTo<typeof TAPE_OFF>) =>
  when === 'winter'
    ? task(
        'binding-off',
        `${UNDO[how]} the ${tape}: it stays on over the winter, and comes off sooner where the girth strains it`,
        // Tied in late winter, it is the next one that is meant.
        phaseNotBefore('late-winter', 60),
        WINTERED,
      )
    : off(
        `${UNDO[how]} the ${tape}`,
        calendarDays(55, 60, 75),
        'It girdles: before growth of the next spring at the latest.',
      );
/** Plastic ties are cut, whatever a tape is. */
export const tiesOff = (): AftercareTask =>
  off('Cut the ties on the side away from the buds', calendarDays(55, 60, 75), 'They girdle within weeks.');
/** Paper tape comes off by itself. */
export const paperGone = (): AftercareTask =>
  off('Look whether the paper tape has rotted away, and take off what still holds', phase('late-summer'));
/** What binds a bench graft, and how it comes off. */
export function benchBindingOff(binding: AnswerTo<typeof BINDING>, how: AnswerTo<typeof STRETCH_OFF>): AftercareTask {
  switch (binding) {
    case 'stretch':
      return stretchOff(how);
    case 'paper':
      return paperGone();
    case 'duct':
      return tapeOff('duct tape', how === 'slit' ? 'slit' : 'unwind', 'months');
    case 'ties':
      return tiesOff();
  }
}
/** The heavy tape of a cleft, which has to hold the split for a season. */
export const heavyOff = (how: AnswerTo<typeof TAPE_OFF_BY>): AftercareTask =>
  off(`${UNDO[how]} the heavy tape`, calendarDays(90, 105, 120));

const RUBBER: Record<AnswerTo<typeof RUBBER_OFF>, string> = {
  slit: 'Slit the rubber on the side away from the bud',
  unwind: 'Undo the rubber',
  look: 'Look whether the rubber has rotted, and take off what still holds',
};

/** Thin film that a bud grows through: what of it lingers. */
const FILM: Record<AnswerTo<typeof RUBBER_OFF>, string> = {
  slit: 'slit what lingers, on the side away from the bud',
  unwind: 'unwind what lingers',
  look: 'take off what still holds',
};

/** A narrow rubber strip that nobody looks under before growth. */
export const rubberOff = (how: AnswerTo<typeof RUBBER_OFF>): AftercareTask =>
  off(RUBBER[how], event('growth-starts', 20));

interface BudWrap {
  cover: BudCover;
  when: AnswerTo<typeof WRAP_OFF>;
  how: AnswerTo<typeof RUBBER_OFF>;
}

/**
 * The wrap of a bud: film the bud grows through, rubber until spring where it covers the bud, else off in some weeks
 * or after the winter. One of these, never two.
 */
export function budWrap({ cover, when, how }: BudWrap): AftercareTask {
  if (cover === 'film')
    return off(
      `${when === 'winter' ? 'The film stayed on through the winter' : 'Look at the film'}: the bud grows through it; ${FILM[how]}`,
      event('growth-starts', 20),
    );
  if (cover === 'rubber')
    return off(
      `${RUBBER[how]}: it covered the bud until spring`,
      phase('buds-swell'),
      'The bud grows crooked under it.',
    );
  return when === 'weeks'
    ? task(
        'unwrap-bud',
        `${RUBBER[how]} once the bud is seen alive${cover === 'film-rubber' ? '; the film stays, and the bud grows through it' : ''}`,
        healingDays(14, 18, 21),
        'It grows into its wrap.',
      )
    : off(`${RUBBER[how]}: it stayed on through the winter`, event('growth-starts', 20));
}

/** Vinyl round a citrus bud, by its own rule whatever else is followed. */
export const CITRUS_UNWRAP = task(
  'unwrap-bud',
  'Take the vinyl off the bud',
  calendarDays(21, 21, 24),
  'It grows into its wrap.',
);
/** Bark that was under a wrap is soft when it comes off. */
export const softBark = (by: AnswerTo<typeof SOFT_BARK>): AftercareTask =>
  task(
    'soft-bark',
    by === 'none'
      ? 'Keep soft bark out of hard sun until it has hardened'
      : 'Where local rules allow it, spray soft bark with a gentle fungicide by its label, and keep it out of hard sun',
    event('wrap-off'),
    'Canker enters, or the bark scalds.',
  );
export const wrapOffInWinter = (foil: boolean): AftercareTask =>
  off(`Pull the tail of the wrap and take it off${foil ? ', the foil with it' : ''}`, phase('winter'));
export const foilOff = (from: number, to: number): AftercareTask =>
  task('foil-off', 'Take the foil off', calendarDays(from, from, to), 'Damp and dark under it, the bark softens.');
