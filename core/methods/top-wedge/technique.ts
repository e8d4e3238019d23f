import { covered, footedAt, posed, scored, toppedAt, withKerf } from '../../drawing/workpieces';
import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import { bindStep, chooseWood, filmStep, labelStep, step, writeTags } from '../common/steps';
import { splitOpen, wedged, wedgePieces } from '../common/wedge-shape';
import type { Point, Technique, Wood } from '../method';
import type { Choices } from '../school';
import type { Step } from '../step';

export const WEDGE_LENGTH = { from: 15, to: 22 };
export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'split', 'film', 'daylight', 'clean'];
/** Depth of the slit, mm. */
export const SLIT = 19;

const OWN: Point[] = [
  {
    id: 'split',
    letter: 'x',
    name: 'Slit',
    weight: 10,
    stage: 'joined',
    measured: false,
    good: 'down the middle, 19 mm, not running',
    correction: 'Press the blade down the middle and stop at 19 mm.',
    faults: [
      { grade: 'poor', words: 'off the middle, or longer' },
      { grade: 'fatal', words: 'runs down the shoot' },
    ],
  },
  {
    id: 'film',
    letter: 'i',
    name: 'Film',
    weight: 10,
    stage: 'joined',
    measured: false,
    good: 'on before the wedge is cut, tip covered',
    correction: 'Wrap the tip in film before the knife touches it.',
    faults: [
      { grade: 'poor', words: 'put on afterwards' },
      { grade: 'fatal', words: 'none' },
    ],
  },
];

export function technique(_choices: Choices, wood: Wood): Technique {
  const { stock, scion } = wood;
  const length = Math.round(Math.min(SLIT, wood.length ?? SLIT - 1));
  const { start, tip } = wedgePieces(wood, length, SLIT, 2);
  const aside = (stock - scion) / 2 - (wood.stockBark - wood.scionBark);
  const shift = Math.abs(aside) > 0.25 ? aside : 0;
  const steps: Step[] = [
    writeTags(),
    chooseWood(
      'Choose a shoot tip of the stock’s caliper, hardened, its end bud fat and closed.',
      'The bark has turned from green to its first brown; leaves are mature.',
      {
        what: 'The tip is still soft.',
        looks: 'It bends double without cracking and wilts within the hour.',
        point: 'wood',
      },
      [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
    ),
    step({
      id: 'leaves',
      action: 'Snip the leaves off the tip.',
      view: 'side',
      lookFor: 'Only short stubs are left.',
      caution: 'shears',
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
        stock: withKerf(
          scored(p.stock, [
            [0, 0],
            [0, -SLIT],
          ]),
          'front',
          [-SLIT, 0],
          [-SLIT, stock],
        ),
      }),
      spoil: (p) => ({
        ...p,
        stock: scored(p.stock, [
          [0, 0],
          [stock * 0.2, -SLIT * 1.9],
        ]),
      }),
    }),
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
      lookFor: 'Two flat faces, alike.',
      wrong: {
        what: 'One face is cut twice.',
        looks: 'The wedge leans and shows daylight on one side.',
        point: 'cut-length',
      },
      apply: (p) => ({ ...p, scion: wedged(footedAt(p.scion, -length), length) }),
      spoil: (p) => ({ ...p, scion: wedged(p.scion, length, true) }),
    }),
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
        stock: splitOpen(p.stock, SLIT, scion),
        scion: posed(p.scion, { u: shift }),
      }),
      spoil: (p) => ({
        ...p,
        joined: true,
        stock: splitOpen(p.stock, SLIT, scion),
        scion: posed(p.scion, { u: 0, y: 6 }),
      }),
    }),
    bindStep(-SLIT - 3, 0, 'rubber', { action: 'Tie with a narrow strip, from below the slit upward.' }),
    step({
      id: 'shade',
      action: 'Shade it with a leaf tied over it.',
      lookFor: 'The tip stands in shade through the middle of the day.',
      wrong: { what: 'It stands in full sun.', looks: 'Film beads with hot water and the tip blackens.' },
      apply: (p) => covered(p, { kind: 'guard', on: 'scion', from: -4, to: tip + 6 }),
    }),
    labelStep(-SLIT - 8),
  ];
  return {
    start,
    steps,
    points: [
      point.sidesCambium(30),
      point.flatness(10),
      point.cutLength(8),
      ...OWN,
      point.bind(8),
      point.daylight(6),
      point.tipWood(6),
      point.clean(4),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [material.film(45), material.RUBBER, material.SHADE_LEAF, material.LABEL],
    aftercare: [
      aftercare.SHADE,
      aftercare.PLUMP,
      aftercare.SUCKERS,
      aftercare.SLIT_RUBBER,
      aftercare.TIE_UP,
      aftercare.BRACE,
      aftercare.LABEL,
    ],
  };
}
