import { covered, toppedAt } from '../../drawing/workpieces';
import { budsInWords, labelStep, step } from '../common/steps';
import { chosen } from '../school';
import { SUPPORT } from '../schools/of-aftercare';
import type { Step } from '../step';
import type { Cuts } from './cuts';

/** Covered against drying, cut back and guarded. */
export function protect({ choices, cover, deep, length, buds, tip }: Cuts): Step[] {
  return [
    ...(cover === 'film' ? [filmed(length)] : bagged(deep, length)),
    step({
      id: 'tip',
      action: `Cut the scion back to ${budsInWords(buds)} and glue or shellac its tip.`,
      caution: 'bud-cut',
      lookFor: cover === 'film' ? 'The tip shines.' : 'Buds stand above the bag’s tie, the tip shines.',
      wrong: { what: 'It is left long.', looks: 'Wind works the joint loose.' },
      blocks: 'An open tip dries the scion out before the union can feed it.',
      apply: (p) =>
        covered({ ...p, scion: toppedAt(p.scion, tip) }, { kind: 'seal', on: 'scion', from: tip - 1.2, to: tip + 1 }),
    }),
    // Last over all that was cut and put on.
    ...(cover === 'shellac' ? [shellacked()] : []),
    ...(chosen(choices, SUPPORT) === 'at-once'
      ? [
          step({
            id: 'guard',
            action: 'Tie on a perch guard or brace taller than the scion.',
            lookFor: 'A bird finds it before it finds the scion.',
            wrong: { what: 'It ends below the tip.', looks: 'A bird sits on the scion and it snaps out.' },
            apply: (p) => covered(p, { kind: 'guard', on: 'stock', from: -length, to: 66 }),
          }),
        ]
      : []),
    labelStep(-length - 4),
  ];
}

function shellacked(): Step {
  return step({
    id: 'shellac',
    action: 'Brush shellac over scion, slots and rim, and let it dry.',
    caution: 'sealant',
    lookFor: 'Everything cut shines.',
    wrong: { what: 'The rim is left out.', looks: 'The stump checks beside the scion.' },
    apply: (p) => covered(p, { kind: 'seal', on: 'stock', from: -2, to: 2 }),
  });
}

function filmed(length: number): Step {
  return step({
    id: 'film',
    action: 'Wrap scion and rim in film.',
    lookFor: 'Everything cut is covered.',
    wrong: { what: 'The rim is left out.', looks: 'The stump checks beside the scion.', point: 'cover' },
    apply: (p) => covered(p, { kind: 'film', on: 'scion', from: -length, to: 34 }),
  });
}

function bagged(deep: number, length: number): Step[] {
  return [
    step({
      id: 'foil',
      action: 'Cover all cut wood with foil, shiny side out.',
      lookFor: 'No cut wood shows.',
      wrong: { what: 'The rim is left out.', looks: 'The stump checks and dries beside the scion.' },
      blocks: 'The bag is tied below only where foil is under it.',
      apply: (p) => covered(p, { kind: 'foil', on: 'stock', from: -deep - 6, to: 2 }),
    }),
    step({
      id: 'bag',
      action:
        'Draw a poly bag with a cut corner down over the scion; tie it above on the scion and below over the foil.',
      lookFor: 'Droplets inside within the hour.',
      wrong: { what: 'It is tied on bare wood.', looks: 'A girdled strip, and a cooked scion.', point: 'cover' },
      apply: (p) => covered(p, { kind: 'bag', on: 'scion', from: -length + 2, to: 30 }),
    }),
  ];
}
