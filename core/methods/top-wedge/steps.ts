import { covered, footedAt, posed, scored, thinner, toppedAt, withSplit } from '../../drawing/workpieces';
import { bindStep, chooseWood, filmStep, labelStep, onFace, step, writeTags } from '../common/steps';
import { splitOn, splitOpen, wedged, wedgePieces } from '../common/wedge-shape';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';

/** Depth of the slit, mm. */
export const SLIT = 19;

/** The wedge is as long as its slit; how far it may differ has no source, a guess. */
export const WEDGE_LENGTH = { from: SLIT - 2, to: SLIT + 2 };

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(Math.min(SLIT, wood.length ?? SLIT));
  const { start, tip } = wedgePieces(wood, length, SLIT, 2);
  const aside = (stock - scion) / 2 - (wood.stockBark - wood.scionBark);
  const shift = Math.abs(aside) > 0.25 ? aside : 0;
  return { choices, stock, scion, length, start, tip, shift };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...chooseScion(cuts), ...openStock(cuts), ...cutScion(cuts), ...setScion(cuts)];
}

/** The scion chosen and trimmed. */
function chooseScion({ stock, scion, tip }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood({
      action: 'Choose a green shoot tip of the stock’s caliper, firm to the knife, and snip it at once.',
      lookFor: 'It stands straight when it is held by its foot.',
      wrong: {
        what: 'The tip is still soft.',
        looks: 'It bends double without cracking and wilts within the hour.',
        point: 'wood',
      },
      figures: [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
    }),
    step({
      id: 'leaves',
      action: 'Snip the leaves off the tip.',
      view: 'side',
      lookFor: 'Only short stubs are left.',
      wrong: { what: 'Leaves are left on.', looks: 'The tip wilts before it joins.' },
      apply: (p) => ({
        ...p,
        scion: { ...toppedAt(p.scion, tip), buds: p.scion.buds.map((bud) => ({ ...bud, handle: true })) },
      }),
    }),
    {
      ...filmStep(1, tip, 'Wrap the tip in film before it is cut.'),
      blocks: 'Once the wedge is cut, wrapping bends it and dries the faces.',
    },
  ];
}

/** The place for the scion opened. */
function openStock({ stock }: Cuts): Step[] {
  return [
    step({
      id: 'stock-off',
      action: 'Cut the stock’s tip off where it is as thick as the scion.',
      lookFor: 'Green wood, no hollow pith.',
      caution: 'bud-cut',
      pull: 'up',
      figures: [{ name: 'stock here', mm: stock }],
      wrong: {
        what: 'It is cut lower, where the shoot is thicker.',
        looks: 'The scion stands in the middle of a wide slit.',
      },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, 0) }),
    }),
    step({
      id: 'slit',
      action: 'Slit the stock down the middle.',
      view: 'front',
      pull: 'down',
      caution: 'bud-cut',
      figures: [
        {
          name: 'slit',
          mm: SLIT,
          dimension: { piece: 'stock', view: 'front', from: [0, 0], to: [0, -SLIT], off: stock / 2 + 4 },
        },
      ],
      lookFor: 'Straight, and it stops where you stopped.',
      wrong: { what: 'The slit runs.', looks: 'It opens below where the tie will reach.', point: 'split' },
      apply: (p) => ({
        ...p,
        stock: withSplit(p.stock, -SLIT),
      }),
      spoil: (p) => ({
        ...p,
        stock: scored(p.stock, [
          [0, 0],
          [stock * 0.2, -SLIT * 1.9],
        ]),
      }),
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ choices, length, scion }: Cuts): Step[] {
  return [
    step({
      id: 'wedge',
      action: 'Cut the scion’s foot to a two-faced wedge as long as the slit.',
      view: 'front',
      pull: 'down',
      caution: 'bud-cut',
      figures: [
        {
          name: 'wedge',
          mm: length,
          range: WEDGE_LENGTH,
          dimension: { piece: 'scion', view: 'front', from: [0, -length], to: [0, 0], off: scion / 2 + 5 },
        },
      ],
      lookFor: onFace('Two flat faces, alike.', chosen(choices, KNIFE)),
      wrong: {
        what: 'One face is cut twice.',
        looks: 'The wedge leans and shows daylight on one side.',
        point: 'cut-length',
      },
      apply: (p) => ({ ...p, scion: wedged(footedAt(p.scion, -length), length) }),
      spoil: (p) => ({ ...p, scion: wedged(p.scion, length, true) }),
    }),
  ];
}

/** The scion set, held and covered. */
function setScion({ scion, shift, tip }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Slide the wedge home; match both sides, or one side on purpose.',
      joins: true,
      view: 'side',
      caution: 'hands-meet',
      lookFor: 'No daylight; the green lines run on at one edge or both.',
      wrong: {
        what: 'A thinner scion is centred.',
        looks: 'Both its lines stand inside the stock’s.',
        point: 'cambium',
      },
      apply: (p) => ({
        ...p,
        joined: true,
        stock: splitOn(p.stock, SLIT, p.scion),
        scion: posed(p.scion, { u: shift }),
      }),
      spoil: (p) => ({
        ...p,
        joined: true,
        stock: splitOpen(p.stock, SLIT, scion),
        scion: thinner(posed(p.scion, { u: 0 }), 0.65, p.scion.diameter / 2),
      }),
    }),
    bindStep(-SLIT - 3, 0, { kind: 'rubber', action: 'Tie with a narrow rubber strip, from below the slit upward' }),
    step({
      id: 'shade',
      action: 'Shade it with a leaf tied over it.',
      lookFor: 'The tip stands in shade through the middle of the day.',
      wrong: { what: 'It stands in full sun.', looks: 'Film beads with hot water and the tip blackens.' },
      apply: (p) => covered(p, { kind: 'guard', on: 'scion', from: -4, to: tip + 6 }),
    }),
    labelStep(-SLIT - 8),
  ];
}
