import { footedAt, posed, scored, toppedAt } from '../../drawing/workpieces';
import { acrossTheStump, chiselled, faced, laidOn, opened } from '../common/laid-face-shape';
import { lipsLaidOn } from '../common/laid-lips';
import {
  bindStep,
  budsInWords,
  chooseWood,
  coatStep,
  labelStep,
  onFace,
  sealStep,
  slipTest,
  step,
  wagging,
  writeTags,
} from '../common/steps';
import { TAPE_WIDTH } from '../common/materials';
import { chosen } from '../school';
import { NURSE_LIMB } from '../schools/of-aftercare';
import { COAT, SEALANT } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { type Cuts, FACE_LENGTH, WINDOW } from './cuts';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareStock(cuts), ...chooseScion(cuts), ...openBark(cuts), ...cutScion(cuts), ...setScion(cuts)];
}

/** The stock made ready, up to its cut. */
function prepareStock({ choices, stock }: Cuts): Step[] {
  return [
    writeTags(),
    slipTest('a piece of the top'),
    step({
      id: 'stock-off',
      action: `Cut the stock off square${chosen(choices, NURSE_LIMB) === 'nurse' ? '; on a tree, keep a nurse limb below' : ''}.`,
      lookFor: 'A square, smooth top.',
      caution: 'saw',
      pull: 'down',
      figures: [{ name: 'stock', mm: stock }],
      wrong: { what: 'The cut slopes.', looks: 'The binding climbs and rides off.' },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, 0) }),
    }),
  ];
}

/** The scion chosen and trimmed. */
function chooseScion({ scion, buds, length, shape, filmFirst, film }: Cuts): Step[] {
  return [
    chooseWood({
      action: 'Take a scion and find which way its buds point.',
      lookFor: 'Dormant, straight, much thinner than the stock.',
      wrong: { what: 'The buds have begun to move.', looks: 'Green tips between the scales.', point: 'wood' },
      figures: [{ name: 'scion', mm: scion }],
    }),
    step({
      id: 'trim',
      action: `Trim the stick to ${budsInWords(buds)} above the face.`,
      lookFor: 'Bright green at both ends.',
      caution: 'long-cut',
      wrong: { what: 'A brown end is left on.', looks: 'A dry end that no callus crosses.' },
      apply: (p) => ({ ...p, scion: toppedAt(footedAt(p.scion, -length), shape.tip) }),
    }),
    ...(filmFirst ? [film] : []),
  ];
}

/** The bark opened. */
function openBark({ three, scions, length, stock, deep, scion }: Cuts): Step[] {
  return [
    step({
      id: 'slit',
      action: three
        ? 'Cut three slits down through the bark, so that two strips lie side by side, each as wide as a scion.'
        : scions > 1
          ? `Cut ${scions === 2 ? 'two slits opposite each other' : 'three slits evenly round'} down through the bark, one for each scion, until the blade clicks on the wood.`
          : 'Cut one slit down through the bark until the blade clicks on the wood.',
      view: 'front',
      pull: 'down',
      caution: 'bud-cut',
      figures: [
        {
          name: 'slit',
          mm: length,
          range: FACE_LENGTH,
          dimension: { piece: 'stock', view: 'front', from: [0, 0], to: [0, -length], off: stock / 2 + 4 },
        },
      ],
      lookFor: 'The blade stops at the wood.',
      wrong: { what: 'The blade goes on into the wood.', looks: 'A dark line in the wood where sap dries out.' },
      apply: (p) => ({
        ...p,
        stock: scored(
          p.stock,
          [
            [0, 0],
            [0, -length],
          ],
          ...(three
            ? [
                [
                  [-stock * 0.32, 0],
                  [-stock * 0.32, -length],
                ] as const,
                [
                  [stock * 0.32, 0],
                  [stock * 0.32, -length],
                ] as const,
              ].map((line) => [...line])
            : []),
        ),
      }),
    }),
    step({
      id: 'lift',
      action: three ? 'Lift both strips with the blunt of the knife.' : 'Open the lips with the blunt of the knife.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'Both lips are whole; white wood shows between them.',
      wrong: { what: 'The lips are prised with the edge.', looks: 'Torn lips that dry at their rims.', point: 'slip' },
      apply: (p) => ({
        ...p,
        stock: {
          ...opened(p.stock, deep, scion),
          lips: [
            { from: -deep, to: 0, hinge: -scion / 2 - 0.3, fold: -2.6 },
            { from: -deep, to: 0, hinge: scion / 2 + 0.3, fold: 2.6 },
          ],
        },
      }),
      spoil: (p) => ({
        ...p,
        stock: {
          ...opened(p.stock, deep, scion),
          lips: [
            { from: -deep * 0.5, to: 0, hinge: -scion / 2 - 0.3, fold: -6 },
            { from: -deep, to: -deep * 0.7, hinge: scion / 2 + 0.3, fold: 5 },
          ],
        },
      }),
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ choices, length, shape, scion, wedge, pared }: Cuts): Step[] {
  return [
    step({
      id: 'face',
      action: 'Cut one flat face down to the middle of the scion.',
      caution: 'long-cut',
      pull: 'down',
      figures: [
        {
          name: 'face',
          mm: length,
          range: FACE_LENGTH,
          dimension: {
            piece: 'scion',
            view: 'side',
            from: [shape.depth - scion / 2, -length],
            to: [shape.depth - scion / 2, 0],
            off: scion / 2 + 5,
          },
        },
        { name: 'depth', mm: shape.depth },
      ],
      lookFor: onFace('Flat from shoulder to foot, half the stick’s thickness left.', chosen(choices, KNIFE)),
      wrong: { what: 'It is scooped.', looks: 'Only shoulder and foot lie on the wood.', point: 'flatness' },
      apply: (p) => ({ ...p, scion: faced(p.scion, length, shape.depth) }),
      spoil: (p) => ({ ...p, scion: faced(p.scion, length, shape.depth - 1, 2.2) }),
    }),
    step({
      id: 'chisel',
      action: wedge
        ? 'Cut a second face on the back, a little shorter: a two-sided wedge.'
        : 'Cut a short chisel on the back of its tip.',
      caution: 'long-cut',
      pull: 'down',
      lookFor: wedge ? 'Green shows on both sides.' : 'An edge that finds its way under the bark.',
      wrong: { what: 'The tip is left thick.', looks: 'It pushes the bark up in a roll.' },
      apply: (p) => ({ ...p, scion: chiselled(p.scion, length, shape.depth, wedge ? length * 0.6 : 7) }),
    }),
    ...(pared
      ? [
          step({
            id: 'pare',
            action: 'Pare the outer bark of the scion’s back to the green.',
            noCut: true,
            signs: [{ sign: 'rub', on: 'scion', at: -12 }],
            lookFor: 'Green, not white.',
            caution: 'long-cut',
            wrong: { what: 'It is pared to the wood.', looks: 'White patches with no living tissue.' },
            apply: (p) => p,
          }),
        ]
      : []),
  ];
}

/** The scion set, held and covered. */
function setScion({ choices, shape, length, three, scions, filmFirst, film, stump }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: three
        ? 'Hold the first strip with a finger and slide a face down against the wood under it, leaving a window.'
        : 'Hold the bark with a finger and slide the face down against the wood, leaving a window.',
      joins: true,
      caution: 'hands-meet',
      figures: [{ name: 'window', mm: WINDOW, range: { from: 6, to: 13 } }],
      lookFor: 'The bark has not torn, and a strip of face shows above the rim.',
      wrong: {
        what: 'It is pushed in to the shoulder.',
        looks: 'No window: callus cannot bridge over the rim.',
        point: 'window',
      },
      apply: (p) => {
        const scion = laidOn(p.scion, p.stock, shape.depth, WINDOW);
        return { ...p, joined: true, scion, stock: lipsLaidOn(p.stock, scion) };
      },
      spoil: (p) => ({ ...p, joined: true, scion: posed(laidOn(p.scion, p.stock, shape.depth, 0), { lean: 7 }) }),
    }),
    ...(scions > 1 ? [others(scions, three)] : []),
    step({
      id: 'hold',
      action: scions > 1 ? 'Shake each of them once.' : 'Shake it once.',
      noCut: true,
      signs: [{ sign: 'shake', on: 'scion' }],
      lookFor: 'It stays.',
      wrong: { what: 'It wags.', looks: 'The face lies on bark that did not lift far enough.', point: 'hold' },
      apply: (p) => p,
      spoil: wagging,
    }),
    bindStep(-length - 4, 0, {
      kind: 'tape',
      width: TAPE_WIDTH.dark,
      action: `Bind tight, from below the ${three || scions > 1 ? 'slits' : 'slit'} up to the rim`,
    }),
    ...(filmFirst ? [] : [film]),
    ...(chosen(choices, COAT) === 'coat' ? [coatStep(-length - 4, 0, chosen(choices, SEALANT))] : []),
    sealStep({ tip: shape.tip, rim: 0, cuts: 'the rim, the end of each slit', stump, by: chosen(choices, SEALANT) }),
    labelStep(-length - 6),
  ];
}

/** The scions besides the first. */
function others(scions: number, three: boolean): Step {
  return step({
    id: 'second',
    action: three
      ? 'Set a second scion under the other strip in the same way.'
      : scions === 2
        ? 'Set a second scion opposite in the same way.'
        : 'Set two more scions in the same way, evenly round the stump.',
    caution: 'hands-meet',
    lookFor: 'All stand as high, and each shows its window.',
    wrong: { what: 'They are crowded on one side.', looks: 'The far side of the stump dies back and rots.' },
    apply: (p) => ({ ...p, second: acrossTheStump(p.scion) }),
  });
}
