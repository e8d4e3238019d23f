import { cutOn, scored, turnedOver } from '../../drawing/workpieces';
import { lipsBentOver } from '../common/laid-lips';
import { mm, prose } from '../../units/prose';
import { BUD_HEIGHT, CITRUS_BUD_HEIGHT, heightFigure, HIGHER, secondBud } from '../common/bud-place';
import { bindStep, chooseWood, labelStep, onFace, slipTest, step, writeTags } from '../common/steps';
import { chosen } from '../school';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { type Cuts, DOWN_CUT, SHIELD_LENGTH, shieldOf } from './cuts';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareStock(cuts), ...openBark(cuts), ...cutShield(cuts), ...setShield(cuts)];
}

/** The stock made ready, up to its cut. */
function prepareStock({ stock, scion, citrus }: Cuts): Step[] {
  return [
    writeTags(),
    slipTest('a twig of the stock'),
    step({
      id: 'wipe',
      action: citrus
        ? 'Choose the place and wipe the stock clean, leaves and thorns off; dip the blade in chlorine solution, 1.5 %, and rinse it.'
        : 'Choose the place and wipe the stock clean; leaves and thorns off.',
      lookFor: prose`A hand’s breadth of bare clean stem, clear of the stock’s own buds; on a tree, a young limb under ${mm(13)} does as well.${HIGHER}`,
      wrong: { what: 'Grit is left on.', looks: 'A nicked blade.', point: 'clean' },
      caution: citrus ? 'disinfectant' : null,
      figures: [
        { name: 'stock', mm: stock, range: { from: 6, to: 13 } },
        heightFigure(citrus ? CITRUS_BUD_HEIGHT : BUD_HEIGHT),
      ],
      apply: (w) => ({ ...w, stock: { ...w.stock, buds: [] } }),
    }),
    chooseWood({
      action: citrus
        ? 'Take a bud stick of certified wood and find which way its buds point: bud above, leaf scar below.'
        : 'Take a bud stick and find which way its buds point: bud above, leaf scar below.',
      lookFor: 'Plump buds in the middle of the stick, a leaf stub as a handle.',
      wrong: { what: 'The stick lay in the sun.', looks: 'Wrinkled bark that will not pull.' },
      figures: [{ name: 'bud stick', mm: scion }],
    }),
  ];
}

/** The bark opened. */
function openBark(cuts: Cuts): Step[] {
  const { inverted, far, stock, cross } = cuts;
  return [
    step({
      id: 'down',
      action: 'Make the down cut, through the bark only.',
      view: 'front',
      caution: 'bud-cut',
      pull: inverted ? 'up' : 'down',
      figures: [
        {
          name: 'down cut',
          mm: DOWN_CUT,
          dimension: { piece: 'stock', view: 'front', from: [0, 0], to: [0, far], off: stock / 2 + 4 },
        },
      ],
      lookFor: 'A straight line; the blade stops at the wood.',
      wrong: { what: 'The blade goes into the wood.', looks: 'It drags; the shield will rest on a groove.' },
      apply: (w) => ({
        ...w,
        stock: scored(w.stock, [
          [0, 0],
          [0, far],
        ]),
      }),
    }),
    step({
      id: 'cross',
      action: inverted
        ? 'Make the cross cut at the foot, the blade angled up.'
        : 'Make the cross cut at the top, the blade angled down.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'The two cuts meet; the corners can be lifted.',
      wrong: { what: 'It rings half the stock.', looks: 'The stock snaps there in wind.' },
      figures: [
        {
          name: 'across',
          mm: Math.round(2 * cross * 10) / 10,
          dimension: { piece: 'stock', view: 'front', from: [-cross, 0], to: [cross, 0], off: inverted ? 6 : -6 },
        },
      ],
      apply: (w) => ({
        ...w,
        stock: scored(w.stock, [
          [-cross, 0],
          [cross, 0],
        ]),
      }),
      spoil: (w) => ({
        ...w,
        stock: scored(w.stock, [
          [-stock / 2, 0.8],
          [stock / 2, -0.8],
        ]),
      }),
    }),
    ...liftBark(cuts),
  ];
}

/** The bark lifted on both sides. */
function liftBark({ opening, wood, wide }: Cuts): Step[] {
  return [
    step({
      id: 'lift',
      action: 'Lift the lips with the blunt of the knife.',
      view: 'front',
      lookFor: 'Both lips whole, white wood between them.',
      caution: 'bud-cut',
      wrong: { what: 'They are prised with the edge.', looks: 'Frayed lips that dry.', point: 'slip' },
      apply: (w) => ({
        ...w,
        stock: {
          ...cutOn(w.stock, 'front', [
            [opening.from, 0],
            [opening.from, wood.stockBark],
            [opening.to, wood.stockBark],
            [opening.to, 0],
          ]),
          bared: [{ ...opening, width: wide }],
          lips: [
            // No bark is taken off: each lip is half as wide as what it bares.
            { ...opening, hinge: -wide / 2, fold: -wide / 2 },
            { ...opening, hinge: wide / 2, fold: wide / 2 },
          ],
        },
      }),
    }),
  ];
}

/** The shield cut from its stick. */
function cutShield({ choices, length, scion, depth, flick }: Cuts): Step[] {
  return [
    step({
      id: 'shield',
      action: 'Cut the shield in one shallow straight pull, from below the bud to above it. Hold it by its stub.',
      caution: 'bud-cut',
      pull: 'up',
      figures: [
        {
          name: 'shield',
          mm: length,
          range: SHIELD_LENGTH,
          dimension: {
            piece: 'scion',
            view: 'side',
            from: [scion / 2, -length / 2],
            to: [scion / 2, length / 2],
            off: 6,
          },
        },
      ],
      lookFor: onFace('A flat back, a thin sliver of wood behind the bud.', chosen(choices, KNIFE)),
      wrong: {
        what: 'The blade follows the swelling of the bud.',
        looks: 'The back is hollow; it lies on its ends.',
        point: 'flatness',
      },
      apply: (w) => ({ ...w, scion: { ...shieldOf(w.scion, length, depth), name: 'shield' } }),
      spoil: (w) => ({ ...w, scion: { ...shieldOf(w.scion, length, depth + 0.6, 1.6), name: 'shield' } }),
    }),
    ...(flick
      ? [
          step({
            id: 'flick',
            action: 'Flick the sliver of wood out from behind the bud.',
            noCut: true,
            signs: [{ sign: 'lift', on: 'scion', at: 8 }],
            lookFor: 'The bud’s core is still there, a small green pip.',
            caution: 'bud-cut',
            wrong: { what: 'The core comes out with it.', looks: 'A pit behind the bud: nothing will grow.' },
            apply: (w) => w,
          }),
        ]
      : []),
  ];
}

/** The shield set and wrapped. */
function setShield({ seat, opening, cover, citrus, inverted, second, room }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: inverted
        ? 'Push the shield up into the opening at once, right way up, its bud about the middle; trim what sticks out below level with the cross cut.'
        : 'Push the shield down into the opening at once, right way up, its bud about the middle; trim what sticks out above level with the cross cut.',
      joins: true,
      view: 'front',
      caution: 'hands-meet',
      lookFor: 'The shield lies under both lips, nothing stands out.',
      wrong: { what: 'It goes in upside down.', looks: 'The leaf stub stands above the bud.', point: 'way-up' },
      apply: (w) => {
        const scion = seat(w.scion);
        return { ...w, joined: true, scion, stock: lipsBentOver(w.stock, scion) };
      },
      spoil: (w) => {
        const scion = turnedOver(seat(w.scion));
        return { ...w, joined: true, scion, stock: lipsBentOver(w.stock, scion) };
      },
    }),
    ...secondBud(second, 'shield', room),
    bindStep(opening.from - 4, opening.to + 4 + room, citrus ? vinyl() : wrapOf(cover, second === 'above')),
    labelStep(opening.from - 7),
  ];
}

/** Citrus buds are covered by vinyl, whatever other buds are. */
function vinyl(): Parameters<typeof bindStep>[2] {
  return {
    kind: 'tape',
    bud: 'covered',
    action: 'Wrap vinyl from below upwards over the whole cut, the bud too; pressure, without popping the shield',
    lookFor: 'Each turn lies over the one below, so that no water runs in.',
  };
}

/** Two buds above one another lie under one wrap: film holds what rubber does not reach. */
function wrapOf(cover: Cuts['cover'], two: boolean): Parameters<typeof bindStep>[2] {
  const besides = two && cover !== 'film' ? '; film over both buds besides' : '';
  return {
    kind: cover === 'film' ? 'film' : 'rubber',
    bud: cover === 'out' ? 'clear' : 'covered',
    action:
      {
        out: 'Wrap rubber below and above, the bud out; pressure, without popping the shield',
        film: 'Stretch thin film over the whole cut, one layer over the bud; pressure, without popping the shield',
        rubber: 'Wrap rubber over the whole cut, the bud too; pressure, without popping the shield',
      }[cover] + besides,
    lookFor: {
      out: 'Flat turns close to the bud, the cross cut covered; the shield cannot be moved.',
      film: 'The film clings; the bud’s shape shows through one layer.',
      rubber: 'Flat turns without a gap, the bud pressed under them.',
    }[cover],
  };
}
