import { covered, footedAt, scored, thinner, toppedAt } from '../../drawing/workpieces';
import { mm, prose } from '../../units/prose';
import { acrossTheStump, chiselled, faced, laidOn, opened, raked } from '../common/laid-face-shape';
import { bindStep, chooseWood, onFace, slipTest, step, wagging, writeTags } from '../common/steps';
import { TAPE_WIDTH } from '../common/materials';
import { chosen } from '../school';
import { NURSE_LIMB } from '../schools/of-aftercare';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { WINDOW, type Cuts } from './cuts';
import { flapOver } from './flap-over';
import { protect } from './protect';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [
    ...prepareStock(cuts),
    ...cutScion(cuts),
    ...openStock(cuts),
    ...setScion(cuts),
    ...fix(cuts),
    ...protect(cuts),
  ];
}

/** The stock made ready, up to its cut. */
function prepareStock({ choices, stock, thinned }: Cuts): Step[] {
  const below = chosen(choices, NURSE_LIMB);
  return [
    writeTags(),
    slipTest('a piece of the top'),
    step({
      id: 'saw',
      action: {
        nurse: 'Saw off at a straight smooth place, back-cut first, and keep a nurse limb below.',
        'short-low': 'Saw off at a straight smooth place, back-cut first, and keep short low leaves below.',
        'all-off': 'Saw off at a straight smooth place, back-cut first, and clear what grows below.',
      }[below],
      caution: 'saw',
      pull: 'down',
      lookFor: {
        nurse: 'A square top, a leafy limb left below it.',
        'short-low': 'A square top, some short leafy twigs left low down.',
        'all-off': 'A square top on a clean stem.',
      }[below],
      blocks: below === 'all-off' ? null : 'Leaves that are cut now cannot feed the roots while the scion heals.',
      figures: [{ name: 'stock', mm: stock }],
      wrong:
        below === 'all-off'
          ? { what: 'It is sawn from one side only.', looks: 'A strip of bark is torn down the trunk.' }
          : {
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
            signs: [{ sign: 'rub', on: 'stock' }],
            lookFor: 'Smooth and brown, no green.',
            caution: 'long-cut',
            wrong: { what: 'It is shaved to the green.', looks: 'Green streaks that dry.' },
            apply: (p) => p,
          }),
        ]
      : []),
    step({
      id: 'flat',
      action: 'Try a straight edge round the stock and mark where it rocks least.',
      noCut: true,
      signs: [{ sign: 'straight', on: 'stock' }],
      lookFor: 'The edge lies on the wood along most of the scion’s width.',
      wrong: { what: 'The scion goes where the saw stood.', looks: 'Its edges stand off the round of the wood.' },
      apply: (p) => p,
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ choices, scion, length, shape, wedge, pared }: Cuts): Step[] {
  return [
    chooseWood({
      action: prose`Take a dormant scion about ${mm(150)} long and find which way its buds point.`,
      lookFor: 'Straight, buds asleep, cold to the touch.',
      wrong: { what: 'The buds have begun to move.', looks: 'Green tips between the scales.', point: 'wood' },
      figures: [
        { name: 'scion', mm: scion },
        { name: 'long', mm: 150 },
      ],
    }),
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
      lookFor: onFace('Flat; seldom in one stroke, and straight all the same.', chosen(choices, KNIFE)),
      wrong: { what: 'It curves.', looks: 'Light in the middle on a straight edge.', point: 'flatness' },
      apply: (p) => ({ ...p, scion: faced(footedAt(p.scion, -length), length, shape.depth) }),
      spoil: (p) => ({ ...p, scion: faced(footedAt(p.scion, -length), length, shape.depth - 1, 2.4) }),
    }),
    step({
      id: 'chisel',
      action: wedge
        ? 'Cut a second face on the back, a little shorter, and rake both sides, so that more green shows.'
        : 'Cut a chisel on the back of its tip and rake both sides, so that more green shows.',
      caution: 'long-cut',
      pull: 'down',
      lookFor: wedge ? 'Green on both faces and along their edges.' : 'Green runs along both edges of the face.',
      wrong: { what: 'The sides stay square.', looks: 'Brown bark at the edges that must meet.' },
      apply: (p) => ({ ...p, scion: raked(chiselled(p.scion, length, shape.depth, wedge ? length * 0.6 : 9), length) }),
    }),
    ...(pared
      ? [
          step({
            id: 'pare',
            action: 'Pare the outer bark of the scion’s back to the green, as far as the flap will reach.',
            noCut: true,
            signs: [{ sign: 'rub', on: 'scion', at: -20 }],
            lookFor: 'Green, not white.',
            caution: 'long-cut',
            wrong: { what: 'It is pared to the wood.', looks: 'White patches with no living tissue.' },
            apply: (p) => p,
          }),
        ]
      : []),
  ];
}

/** The place for the scion opened. */
function openStock({ deep, length, slot, stock }: Cuts): Step[] {
  const lines = (x0: number, x1: number): [number, number][][] => [
    [
      [-slot / 2, 0],
      [-slot / 2, -deep],
    ],
    [
      [x0, 0],
      [x1, -deep],
    ],
  ];
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
      lookFor: prose`Two parallel lines, just as far apart as the face is wide. Slots may be as short as ${mm(25)}: then a short relief slit between them lets the strip open, and the scion is driven past their ends.`,
      wrong: {
        what: 'The stick moved between the cuts.',
        looks: 'Slots wider than the scion: neither flank touches.',
        point: 'slots',
      },
      apply: (p) => ({ ...p, stock: scored(p.stock, ...lines(slot / 2, slot / 2)) }),
      spoil: (p) => ({ ...p, stock: scored(p.stock, ...lines(slot / 2 + 4, slot / 2 + 6)) }),
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

/** The scion set. */
function setScion({ deep, slot, shape, pared, scions }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: prose`Tap the scion in, leaving a window; cut ${mm(12)} off the strip and lay the rest over the foot as a flap.`,
      joins: true,
      view: 'side',
      caution: 'driven',
      figures: [
        { name: 'window', mm: WINDOW, range: { from: 6, to: 13 } },
        { name: 'off the strip', mm: 12 },
      ],
      lookFor: pared
        ? 'Face on wood, both flanks in the slots, the pared back under the flap.'
        : 'Face on wood, both flanks in the slots, the flap over the foot.',
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
          lips: [flapOver(p, -deep, -deep + Math.max(6, deep - 12) * 0.6, slot)],
        },
        scion: laidOn(p.scion, p.stock, shape.depth, WINDOW),
      }),
      spoil: (p) => ({
        ...p,
        joined: true,
        scion: thinner(laidOn(p.scion, p.stock, shape.depth, WINDOW), 0.6, shape.depth),
      }),
    }),
    ...(scions > 1
      ? [
          step({
            id: 'second',
            action:
              scions === 2
                ? 'Trace and set a second scion on the next flat spot, about opposite.'
                : 'Trace and set two more scions on flat spots, about evenly round the stump.',
            caution: 'driven',
            lookFor: 'Each lies in slots of its own and shows its window.',
            wrong: { what: 'They are crowded on one side.', looks: 'The far side of the stump dies back and rots.' },
            apply: (p) => ({ ...p, second: acrossTheStump(p.scion) }),
          }),
        ]
      : []),
    step({
      id: 'hold',
      action: scions > 1 ? 'Shake each of them once.' : 'Shake it once.',
      noCut: true,
      signs: [{ sign: 'shake', on: 'scion' }],
      lookFor: 'It stays.',
      wrong: { what: 'It wags.', looks: 'The slot is wider than the face.', point: 'hold' },
      apply: (p) => p,
      spoil: wagging,
    }),
  ];
}

/** The scion fixed, by school. */
function fix({ deep, fix: by }: Cuts): Step[] {
  if (by === 'nail')
    return [
      step({
        id: 'nail',
        action: prose`Drive one fine nail, ${mm(19)} long, through the scion’s foot into the stock.`,
        caution: 'nail',
        figures: [{ name: 'below the rim', mm: 9, range: { from: 6, to: 13 } }],
        lookFor: 'The head sits on the bark and does not crush it.',
        wrong: { what: 'It is driven through a bud, or splits the scion.', looks: 'A crack along the grain.' },
        apply: (p) => covered(p, { kind: 'nail', on: 'stock', from: -9, to: -9 }),
      }),
    ];
  return [
    bindStep(-deep - 5, 0, {
      kind: 'tape',
      width: by === 'driven' ? TAPE_WIDTH.cloth : TAPE_WIDTH.dark,
      action:
        by === 'driven'
          ? 'Wrap strong cloth tape, then drive the scion tight by pushing it down last'
          : 'Tape from below the slots up to the rim, tight',
      lookFor: 'Flat turns, the slots covered; the scion cannot be moved.',
      wrong: {
        what: 'The wrap is loose or starts at the top.',
        looks: 'The scion stands off the wood, and rain runs in behind it.',
      },
    }),
  ];
}
