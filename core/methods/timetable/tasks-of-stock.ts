import { mm, prose } from '../../units/prose';
import type { AnswerTo } from '../school';
import type {
  HEAD_BACK,
  HEAD_BACK_PACE,
  HEAD_BACK_WHEN,
  PATCH_TOP,
  SHOOTS_BELOW,
  SHOOTS_WHEN,
} from '../schools/of-aftercare';
import { type AftercareTask, task } from './aftercare-task';
import { AT_ONCE, calendarDays, event, growth, healingDays, phase, type Trigger } from './trigger';

/* What is done to the stock for the sake of a union, as usual practice has it. */

const OUTCOMPETED = 'The union is outcompeted.';

/** The stock's own shoots where none is to stay: the first time by school, then every two to three weeks. */
const rubbedOff = (name: string, first: Trigger, when: AnswerTo<typeof SHOOTS_WHEN>): AftercareTask =>
  when === 'day-one'
    ? task('suckers', name, first, OUTCOMPETED, 18)
    : task(
        'suckers',
        'Take off some of the stock’s shoots, the strongest first; leave the rest to feed the roots',
        phase('mid-summer'),
        OUTCOMPETED,
      );

/** Shoots and limbs below a scion. */
export function shootsBelow(below: AnswerTo<typeof SHOOTS_BELOW>, when: AnswerTo<typeof SHOOTS_WHEN>): AftercareTask[] {
  if (below === 'all-off') return [rubbedOff('Rub off shoots below the union', calendarDays(14, 21, 21), when)];
  return [
    below === 'nurse'
      ? task(
          'nurse',
          'Shorten the nurse limb, or take one off',
          event('scions-slow'),
          'The scion starves. All lower branches are gone within two to three years.',
        )
      : task(
          'nurse',
          'Keep short low leaves until the scion grows; shorten them if it is slow',
          event('scions-slow'),
          'The scion starves.',
        ),
    when === 'day-one'
      ? task(
          'low-branches',
          'Keep lower branches shorter than the graft',
          calendarDays(28, 30, 30),
          'The scion is choked.',
          30,
        )
      : task(
          'low-branches',
          'Shorten lower branches that stand above the graft, at one visit',
          phase('mid-summer'),
          'The scion is choked.',
        ),
  ];
}
/** Shoots of a stock that carries a bud. */
export const shootsByBud = (when: AnswerTo<typeof SHOOTS_WHEN>): AftercareTask =>
  rubbedOff('Rub off the stock’s own shoots, below and above the bud', event('bud-grows'), when);
/** Shoots of a stock that carries a tip at its side or end. */
export const shootsByTip = (when: AnswerTo<typeof SHOOTS_WHEN>): AftercareTask =>
  rubbedOff('Rub off the stock’s own shoots below the graft', event('growth-starts'), when);
/** A slow nut graft first has the stock to itself. */
export const NONE_THEN_SOME = task(
  'none-below',
  'Rub off every shoot below the graft at first, for about four weeks (no source); then leave two or three as nurses',
  calendarDays(0, 0, 28),
  OUTCOMPETED,
);

interface HeadBack {
  distance: AnswerTo<typeof HEAD_BACK>;
  pace: AnswerTo<typeof HEAD_BACK_PACE>;
  when: AnswerTo<typeof HEAD_BACK_WHEN>;
  /** Where there is an insurance bud, the better one is asked. */
  two?: boolean;
}

/** A bud's stock cut back above it: how far, how fast, how soon. */
export function headBack({ distance, pace, when, two = false }: HeadBack): AftercareTask[] {
  const bud = two ? 'the better bud' : 'the bud';
  const cut =
    distance === 'snag'
      ? prose`${mm(12)} above ${bud}, sloped away from it`
      : prose`as close as possible above ${bud}, sloped away from it`;
  const trigger = phase(when === 'alive' ? 'buds-swell' : 'late-winter');
  if (pace === 'whole') return [task('head-back', prose`Cut the stock ${cut}`, trigger, 'The stock outgrows the bud.')];
  return [
    task(
      'head-back',
      prose`Shorten the stock to leaves for ${mm(100)} above ${bud}, which feed the roots`,
      trigger,
      'The stock outgrows the bud.',
    ),
    task('head-back-last', prose`Cut the stock back ${cut}`, growth(75), 'The stub outgrows the shoot.'),
  ];
}
const PATCH_CUT: Record<AnswerTo<typeof PATCH_TOP>, AftercareTask> = {
  later: task(
    'patch-top',
    'If the patch is green and holds, cut the stock above it, seal the cut and paint it white',
    healingDays(7, 8, 10),
    'The bud sleeps on.',
  ),
  'at-once': task(
    'patch-top',
    'Cut the stock above the patch, seal the cut and paint it white',
    AT_ONCE,
    'The bud sleeps on.',
  ),
  grown: task(
    'patch-top',
    'Once the shoot has grown, cut the stock above the patch, seal the cut and paint it white',
    growth(50),
    'The shoot is starved.',
  ),
};
export const patchTop = (top: AnswerTo<typeof PATCH_TOP>): AftercareTask => PATCH_CUT[top];
/** What is to sleep keeps the stock's top until the winter is over, whatever the school. */
export const PATCH_TOP_STAYS = task(
  'patch-top',
  'Leave the stock’s top on until late winter, then cut it above the patch, sloped away from it, seal the cut and paint it white',
  phase('late-winter'),
  'The stock outgrows the bud.',
);
export const TIE_TO_STUB = task(
  'tie-stub',
  'Tie the new shoot to the stub above the patch; cut the stub off when the shoot stands by itself',
  growth(150),
  'The shoot breaks out of the patch.',
);
export const HEAD_STAGES: AftercareTask[] = [
  task('head-1', 'Take the stock’s top off', growth(75), 'The scion is starved.'),
  task('head-2', 'Cut the stock to a stub', growth(165), 'The scion is starved.'),
  task('head-3', 'Cut the stub flush', growth(350), 'The stub rots into the union.'),
];
/** Forcing a citrus bud: the stock goes on feeding it while it lies down. */
export const lopAndBend = (two: boolean): AftercareTask[] => [
  task(
    'head-back',
    two
      ? 'If a bud is green, cut the stock half through above the better one and bend it over, its tips lower than the bud'
      : 'If the bud is green, cut the stock half through above it and bend it over, its tips lower than the bud',
    calendarDays(21, 21, 28),
    'The bud sits asleep.',
  ),
  task(
    'lop-off',
    'Take the bent top off, stake the new shoot, and tip it later so that it branches',
    event('growth-starts', 32),
    'The shoot is shaded by what was bent.',
  ),
];
export const INSECTS = task(
  'insects',
  'Look for insects that carry disease, and ask the local authority about those you find',
  calendarDays(21, 30, 30),
  'Disease goes round from graft to graft.',
  30,
);
