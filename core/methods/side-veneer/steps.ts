import { covered, cutOn, footedAt, type Piece, posed, shoot, thinner, type Vertex } from '../../drawing/workpieces';
import { mm, prose } from '../../units/prose';
import { bindStep, chooseWood, labelStep, onFace, step, writeTags } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { TURNS } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import type { Workpieces } from '../../drawing/workpieces';

/** No source gives this length; an assumption with a wide margin, mm. */
export const CUT_LENGTH = { from: 25, to: 50 };

/** Length of the ramp at the scion's foot, and what it leaves there, mm. */
const RAMP = 7;
const FOOT = 0.4;
/** What is left of the bark at the lip's rim, mm. */
const RIM = 0.3;

/** Depth of both cuts: a shallow slice, the core just showing. */
function depthOf(diameter: number, bark: number): number {
  return Math.min(diameter / 2, Math.max(0.23 * diameter, bark + 0.6));
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 38);
  const [ds, dc] = [depthOf(stock, wood.stockBark), depthOf(scion, wood.scionBark)];
  const face: Vertex[] = [
    [0, dc],
    [length, 0],
  ];
  const ramp: Vertex[] = [
    [0, scion - dc - FOOT],
    [RAMP, 0],
  ];
  const aside =
    Math.sqrt(Math.max(0, (stock / 2 - wood.stockBark) ** 2 - (stock / 2 - ds) ** 2)) -
    Math.sqrt(Math.max(0, (scion / 2 - wood.scionBark) ** 2 - (scion / 2 - dc) ** 2));
  const tip = 92;
  // Face on face the tip leans out by both slopes, its foot in the lip.
  const lean = Math.atan(ds / length) + Math.atan(dc / length);
  const inner = dc - scion / 2;
  const seat = (piece: Piece): Piece =>
    posed(piece, {
      lean: (lean * 180) / Math.PI,
      u: stock / 2 - ds - inner * Math.cos(lean),
      y: inner * Math.sin(lean),
      w: Math.abs(aside) > 0.3 ? -aside : 0,
    });
  // The lip's inner wall is the ramp as it lies there: what is left of the scion's foot fits it.
  const rise = Math.atan((scion - dc - FOOT) / RAMP) + lean;
  const lip = Math.round(((ds - FOOT - RIM) / Math.tan(rise)) * 10) / 10;
  const bed: Vertex[] = [
    [lip, 0],
    [lip, RIM],
    [0, ds - FOOT],
    [0, ds],
    [length, 0],
  ];
  return { choices, wood, stock, scion, length, dc, bed, face, ramp, tip, seat, lip };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The pieces before the first step. */
export function startOf({ stock, wood, length, scion, tip }: Cuts): Workpieces {
  return {
    joined: false,
    covers: [],
    stock: shoot({
      name: 'stock',
      diameter: stock,
      bark: wood.stockBark,
      foot: -30,
      top: length + 34,
      goesOn: { foot: true, top: true },
      buds: [{ y: length + 20, side: 'back' }],
    }),
    scion: shoot({
      name: 'tip',
      diameter: scion,
      bark: wood.scionBark,
      foot: -8,
      top: tip,
      goesOn: { foot: true },
      buds: [
        { y: length + 12, side: 'front' },
        { y: length + 26, side: 'left' },
        { y: length + 40, side: 'front' },
        { y: tip - 0.5, side: 'front' },
      ],
    }),
  };
}

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...chooseWoods(cuts), ...cutScion(cuts), ...cutStock(cuts), ...setScion(cuts)];
}

/** Stock and scion chosen. */
function chooseWoods({ stock, scion, tip }: Cuts): Step[] {
  return [
    writeTags(),
    step({
      id: 'stock',
      action: 'Take a healthy growing stock, 8 to 12 months old.',
      noCut: true,
      signs: [{ sign: 'look', on: 'stock' }],
      lookFor: 'New leaves at its top; the bark bends under the nail.',
      wrong: { what: 'It stands still, or was just repotted.', looks: 'Dull leaves and hard bark.' },
      figures: [{ name: 'stock', mm: stock }],
      apply: (w) => w,
    }),
    chooseWood({
      action: prose`Choose a tip about ${mm(100)} long whose end bud is fat and closed.`,
      lookFor: 'Hardened wood, the bud about to open and not yet open.',
      wrong: { what: 'The end bud has opened.', looks: 'Soft red leaves that wilt within the hour.', point: 'wood' },
      figures: [
        { name: 'tip', mm: 100 },
        { name: 'scion', mm: scion },
      ],
    }),
    step({
      id: 'leaves',
      action: 'Snip the leaves off the tip.',
      lookFor: 'Short stubs only.',
      wrong: { what: 'Leaves are torn off.', looks: 'Strips of bark come with them.' },
      apply: (w) => ({
        ...w,
        scion: { ...footedAt(w.scion, 0), buds: w.scion.buds.map((bud) => ({ ...bud, handle: bud.y < tip - 1 })) },
      }),
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ choices, length, scion, dc, face, ramp }: Cuts): Step[] {
  return [
    step({
      id: 'face',
      action: 'Make a long shallow cut on one side of the scion, the core just showing.',
      caution: 'long-cut',
      pull: 'down',
      figures: [
        {
          name: 'cut',
          mm: length,
          range: CUT_LENGTH,
          dimension: { piece: 'scion', view: 'front', from: [0, 0], to: [0, length], off: scion / 2 + 5 },
        },
        { name: 'deep', mm: Math.round(dc * 10) / 10 },
      ],
      lookFor: onFace('Green all along both edges.', chosen(choices, KNIFE)),
      wrong: { what: 'It is cut to half its thickness.', looks: 'Pith shows; the tip bends at the cut.' },
      apply: (w) => ({ ...w, scion: cutOn(w.scion, 'back', face) }),
      spoil: (w) => ({
        ...w,
        scion: cutOn(
          w.scion,
          'back',
          face.map(([y, d]): Vertex => [y, Math.min(scion * 0.62, d * 2.1)]),
        ),
      }),
    }),
    step({
      id: 'ramp',
      action: 'On the opposite side, cut a short ramp at the foot.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [{ name: 'ramp', mm: RAMP }],
      lookFor: 'A thin edge that fits behind a lip.',
      wrong: { what: 'The foot is left blunt.', looks: 'It pushes the lip away.', point: 'foot' },
      apply: (w) => ({ ...w, scion: cutOn(w.scion, 'front', ramp) }),
    }),
  ];
}

/** The stock cut to receive it. */
function cutStock({ length, stock, bed, lip }: Cuts): Step[] {
  return [
    step({
      id: 'bed',
      action:
        'Where the stock is about as thick, make a matching shallow cut downwards and leave a small lip at the bottom.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [
        {
          name: 'bed',
          mm: length,
          range: CUT_LENGTH,
          dimension: { piece: 'stock', view: 'front', from: [0, 0], to: [0, length], off: stock / 2 + 5 },
        },
        { name: 'lip', mm: lip },
      ],
      lookFor: 'As wide as the scion’s cut.',
      wrong: { what: 'It is cut to the middle.', looks: 'The stock bends and breaks in wind.' },
      apply: (w) => ({ ...w, stock: cutOn(w.stock, 'front', bed) }),
      spoil: (w) => ({
        ...w,
        stock: cutOn(
          w.stock,
          'front',
          bed.map(([y, d]): Vertex => [y, Math.min(stock * 0.6, d * 2)]),
        ),
      }),
    }),
  ];
}

/** The scion set, held and covered. */
function setScion({ choices, seat, length, tip, dc }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Seat the foot in the lip and push it to one side until green meets green.',
      joins: true,
      view: 'side',
      caution: 'hands-meet',
      lookFor: 'One side matches from lip to top.',
      wrong: { what: 'It stays in the middle.', looks: 'Green runs beside green all the way.', point: 'cambium' },
      apply: (w) => ({ ...w, joined: true, scion: seat(w.scion) }),
      spoil: (w) => ({
        ...w,
        joined: true,
        // Thinner than its bed, and in the middle of it: green runs beside green on both sides.
        scion: thinner(posed(seat(w.scion), { w: 0 }), 0.75, dc),
      }),
    }),
    bindStep(-6, length + 6, {
      kind: 'tape',
      action: 'Tie from below upward, as tight as you can',
      turns: chosen(choices, TURNS),
    }),
    step({
      id: 'cover',
      action: 'Cover the whole scion with film, the tip too.',
      lookFor: 'No air gets in anywhere.',
      wrong: { what: 'The tip is left out.', looks: 'It blackens within the week.', point: 'cover' },
      blocks: 'A tip left bare dries before the union can feed it.',
      apply: (w) => covered(w, { kind: 'film', on: 'scion', from: -4, to: tip + 3 }),
      spoil: (w) => covered(w, { kind: 'film', on: 'scion', from: -4, to: tip - 22 }),
    }),
    labelStep(-9),
  ];
}
