import { covered, footedAt, scored, toppedAt } from '../../drawing/workpieces';
import { chiselled, faced, laidOn, opened } from '../common/laid-face-shape';
import { bindStep, chooseWood, labelStep, step, writeTags } from '../common/steps';
import type { Step } from '../step';
import { WINDOW, type Cuts } from './cuts';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareStock(cuts), ...cutScion(cuts), ...openStock(cuts), ...setScion(cuts), ...protect(cuts)];
}

/** The stock made ready, up to its cut. */
function prepareStock({ stock, thinned }: Cuts): Step[] {
  return [
    writeTags(),
    step({
      id: 'saw',
      action: 'Saw off at a straight smooth place, back-cut first, and keep a nurse limb below.',
      caution: 'saw',
      pull: 'down',
      lookFor: 'A square top, a leafy limb left below it.',
      blocks: 'A nurse limb that is cut now cannot feed the roots while the scion heals.',
      figures: [{ name: 'stock', mm: stock }],
      wrong: {
        what: 'Everything below is cleared at once.',
        looks: 'A bare stump that bleeds and sprouts from the root.',
      },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, 0) }),
    }),
    ...(thinned
      ? [
          step({
            id: 'shave',
            action: 'Shave rough outer bark thin, not through.',
            noCut: true,
            lookFor: 'Smooth and brown, no green.',
            caution: 'long-cut',
            wrong: { what: 'It is shaved to the green.', looks: 'Green streaks that dry.' },
            apply: (p) => p,
          }),
        ]
      : []),
    step({
      id: 'flat',
      action: 'Find the flat spot: a trunk is never round.',
      noCut: true,
      lookFor: 'A straight edge laid across rocks least there.',
      wrong: { what: 'The scion goes where the saw stood.', looks: 'Its edges stand off the round of the wood.' },
      apply: (p) => p,
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ scion, length, shape }: Cuts): Step[] {
  return [
    chooseWood(
      'Take a dormant scion about 150 mm long and find which way its buds point.',
      'Straight, buds asleep, cold to the touch.',
      { what: 'The buds have begun to move.', looks: 'Green tips between the scales.', point: 'wood' },
      [
        { name: 'scion', mm: scion },
        { name: 'long', mm: 150 },
      ],
    ),
    step({
      id: 'face',
      action: 'Cut the face straight to the middle of the stick, bevelled in at its top.',
      caution: 'long-cut',
      pull: 'down',
      figures: [
        {
          name: 'face',
          mm: length,
          dimension: {
            piece: 'scion',
            view: 'side',
            from: [shape.depth - scion / 2, -length],
            to: [shape.depth - scion / 2, 0],
            off: scion / 2 + 5,
          },
        },
      ],
      lookFor: 'Flat; seldom in one stroke, and straight all the same.',
      wrong: { what: 'It curves.', looks: 'Light in the middle on a straight edge.', point: 'flatness' },
      apply: (p) => ({ ...p, scion: faced(footedAt(p.scion, -length), length, shape.depth) }),
      spoil: (p) => ({ ...p, scion: faced(footedAt(p.scion, -length), length, shape.depth - 1, 2.4) }),
    }),
    step({
      id: 'chisel',
      action: 'Cut a chisel on the back of its tip and rake both sides, so that more green shows.',
      caution: 'long-cut',
      pull: 'down',
      lookFor: 'Green runs along both edges of the face.',
      wrong: { what: 'The sides stay square.', looks: 'Brown bark at the edges that must meet.' },
      apply: (p) => ({ ...p, scion: chiselled(p.scion, length, shape.depth, 9) }),
    }),
  ];
}

/** The place for the scion opened. */
function openStock({ deep, length, slot, stock }: Cuts): Step[] {
  return [
    step({
      id: 'slots',
      action:
        'Lay the scion on the flat spot and trace: cut one side to the wood, shift the hand without moving the stick, cut the other.',
      view: 'front',
      caution: 'bud-cut',
      pull: 'down',
      figures: [
        {
          name: 'slots',
          mm: deep,
          range: { from: 25, to: length },
          dimension: { piece: 'stock', view: 'front', from: [slot / 2, 0], to: [slot / 2, -deep], off: stock / 2 },
        },
        { name: 'apart', mm: slot },
      ],
      lookFor: 'Two parallel lines, just as far apart as the face is wide.',
      wrong: {
        what: 'The stick moved between the cuts.',
        looks: 'Slots wider than the scion: neither flank touches.',
        point: 'slots',
      },
      apply: (p) => ({
        ...p,
        stock: scored(
          p.stock,
          [
            [-slot / 2, 0],
            [-slot / 2, -deep],
          ],
          [
            [slot / 2, 0],
            [slot / 2, -deep],
          ],
        ),
      }),
      spoil: (p) => ({
        ...p,
        stock: scored(
          p.stock,
          [
            [-slot / 2, 0],
            [-slot / 2, -deep],
          ],
          [
            [slot / 2 + 4, 0],
            [slot / 2 + 6, -deep],
          ],
        ),
      }),
    }),
    step({
      id: 'lift',
      action: 'Lift the strip with the tip of the knife, thumb on it.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'The strip hangs by its foot, whole.',
      wrong: { what: 'It is torn off.', looks: 'No flap is left to cover the foot.' },
      apply: (p) => ({
        ...p,
        stock: {
          ...opened(p.stock, deep, slot),
          lips: [{ from: -deep - 14, to: -deep, hinge: -slot / 2, fold: slot }],
        },
      }),
    }),
  ];
}

/** The scion set, held and covered. */
function setScion({ deep, slot, shape, fix }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Tap the scion in, leaving a window; cut 12 mm off the strip and lay the rest over the foot as a flap.',
      joins: true,
      view: 'side',
      caution: 'driven',
      figures: [
        { name: 'window', mm: WINDOW, range: { from: 6, to: 13 } },
        { name: 'off the strip', mm: 12 },
      ],
      lookFor: 'Face on wood, both flanks in the slots, the flap over the foot.',
      wrong: {
        what: 'The scion is thinner than its slot.',
        looks: 'It rocks; white wood shows beside it.',
        point: 'cambium',
      },
      apply: (p) => ({
        ...p,
        joined: true,
        stock: {
          ...p.stock,
          lips: [{ from: -deep, to: -deep + Math.max(6, deep - 12) * 0.6, hinge: -slot / 2, fold: slot }],
        },
        scion: laidOn(p.scion, p.stock, shape.depth, WINDOW),
      }),
      spoil: (p) => ({ ...p, joined: true, scion: laidOn(p.scion, p.stock, shape.depth, WINDOW + 16) }),
    }),
    step({
      id: 'hold',
      action: 'Shake it once.',
      noCut: true,
      lookFor: 'It stays.',
      wrong: { what: 'It wags.', looks: 'The slot is wider than the face.', point: 'hold' },
      apply: (p) => p,
    }),
    ...(fix === 'nail'
      ? [
          step({
            id: 'nail',
            action: 'Drive one fine nail through the scion’s foot into the stock.',
            caution: 'perch',
            figures: [
              { name: 'below the rim', mm: 9, range: { from: 6, to: 13 } },
              { name: 'nail', mm: 19 },
            ],
            lookFor: 'The head sits on the bark and does not crush it.',
            wrong: { what: 'It is driven through a bud or split the scion.', looks: 'A crack along the grain.' },
            apply: (p) => covered(p, { kind: 'nail', on: 'stock', from: -9, to: -9 }),
          }),
        ]
      : [
          bindStep(-deep - 5, 0, 'tape', {
            action:
              fix === 'driven'
                ? 'Wrap strong cloth tape, then drive the scion tight by pushing it down last.'
                : 'Tape from below the slots up to the rim, tight.',
            wrong: {
              what: 'The wrap is loose or starts at the top.',
              looks: 'The scion stands off the wood, and rain runs in behind it.',
            },
          }),
        ]),
  ];
}

/** Covered against drying and guarded. */
function protect({ cover, deep, length }: Cuts): Step[] {
  return [
    ...(cover === 'foil-bag'
      ? [
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
        ]
      : [
          step({
            id: 'film',
            action: cover === 'shellac' ? 'Brush shellac over scion, slots and rim.' : 'Wrap scion and rim in film.',
            lookFor: 'Everything cut is covered.',
            wrong: { what: 'The rim is left out.', looks: 'The stump checks beside the scion.' },
            apply: (p) => covered(p, { kind: 'film', on: 'scion', from: -length, to: 34 }),
          }),
        ]),
    step({
      id: 'tip',
      action: 'Cut the scion back to two buds and glue its tip.',
      caution: 'bud-cut',
      lookFor: 'Two buds above the bag’s tie, the tip shining.',
      wrong: { what: 'It is left long.', looks: 'Wind works the joint loose.' },
      blocks: 'An open tip dries the scion out before the union can feed it.',
      apply: (p) => covered({ ...p, scion: toppedAt(p.scion, 36) }, { kind: 'seal', on: 'scion', from: 34.8, to: 37 }),
    }),
    step({
      id: 'guard',
      action: 'Tie on a perch guard or brace taller than the scion.',
      lookFor: 'A bird finds it before it finds the scion.',
      caution: 'perch',
      wrong: { what: 'It ends below the tip.', looks: 'A bird sits on the scion and it snaps out.' },
      apply: (p) => covered(p, { kind: 'guard', on: 'stock', from: -length, to: 66 }),
    }),
    labelStep(-length - 4),
  ];
}
