import { BUD_COUNTS } from '../bud-counts';
import { cutOn, footedAt, posed, toppedAt, type Vertex, withKerf } from '../../drawing/workpieces';
import { bindStep, chooseWood, labelStep, sealStep, step, writeTags } from '../common/steps';
import { hollowed, slopeFigure, slopeFilm, type SlopingCut, slopingCut } from '../common/sloping-cut';
import * as school from '../schools';
import { chosen, type Choices } from '../school';
import type { Step } from '../step';
import type { Wood } from '../method';

/** Cut lengths that count as good, mm along the slope. */
export const CUT_LENGTH = { from: 25, to: 65 };

/** Length of both cuts by school: by ratio, short, or long. */
export function cutLengthFor(choices: Choices, { stock, scion, length }: Wood): number {
  if (length) return length;
  const by = chosen(choices, school.WHIP_LENGTH);
  const ratio = Math.round((3.5 * (stock + scion)) / 2);
  const wanted =
    by === 'short'
      ? CUT_LENGTH.from
      : by === 'long'
        ? CUT_LENGTH.to
        : Math.max(CUT_LENGTH.from, Math.min(CUT_LENGTH.to, ratio));
  // A cut shorter than twice the caliper is no slope any more.
  return Math.max(wanted, Math.ceil(2 * Math.max(stock, scion)));
}

/** Where the tongues lie on the cuts: as slits while apart, and as corners of one seam when they have gone home. */
function tongues(cut: SlopingCut, { stock, scion }: Wood, middle: boolean) {
  const third = middle ? 6 : cut.length / 3;
  const start = middle ? 0.5 : 2 / 3;
  const on = (rise: number, diameter: number, s: number, off: number): { x: number; y: number } => ({
    x: (-diameter / cut.length) * s + (rise / cut.length) * off,
    y: rise / 2 + (rise / cut.length) * s + (diameter / cut.length) * off,
  });
  const thick = (third / 2) * Math.sin(Math.asin(Math.min(stock, scion) / cut.length)) * 0.8;
  const seam = (rise: number, diameter: number, depth: (x: number) => number): Vertex[] =>
    [on(rise, diameter, third / 2, -thick), on(rise, diameter, -third / 2, thick)].map(({ x, y }): Vertex => [
      y,
      depth(x),
    ]);
  const along = (rise: number): number => third * (rise / cut.length);
  return {
    length: third,
    stockSlit: [
      [start * cut.rise.stock, start * stock],
      [start * cut.rise.stock - along(cut.rise.stock), start * stock - 0.5],
    ] as Vertex[],
    scionSlit: [
      [(1 - start) * cut.rise.scion, start * scion],
      [(1 - start) * cut.rise.scion + along(cut.rise.scion), start * scion - 0.5],
    ] as Vertex[],
    // Both are the same seam, told from either piece.
    stockSeam: seam(cut.rise.stock, stock, (x) => stock / 2 - x),
    scionSeam: seam(cut.rise.scion, scion, (x) => x + scion / 2),
  };
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const buds = BUD_COUNTS.get(chosen(choices, school.BUDS))!;
  const cut = slopingCut(wood, cutLengthFor(choices, wood), buds);
  const middleTongue = chosen(choices, school.TONGUE) === 'middle';
  const tongue = tongues(cut, wood, middleTongue);
  const inset = stock / 2 - wood.stockBark - (scion / 2 - wood.scionBark);
  const layers = chosen(choices, school.TURNS) === 'layers';
  const filmFirst = chosen(choices, school.FILM_WHEN) === 'before';
  const film = slopeFilm(cut, filmFirst);
  const offset =
    inset < 0
      ? `the scion stands out ${(-inset).toFixed(1)} mm under the bark`
      : `it is ${inset.toFixed(1)} mm slimmer under the bark`;
  return { choices, stock, scion, buds, cut, middleTongue, tongue, inset, layers, filmFirst, film, offset };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareBoth(cuts), ...cutSlopes(cuts), ...cutTongues(cuts), ...joinBoth(cuts)];
}

/** Both pieces chosen and trimmed. */
function prepareBoth({ stock, scion, cut, buds, filmFirst, film }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood(
      'Pair a stock and a stick of like caliper, and find which way the buds point.',
      'Two good buds, straight wood, calipers within 1 mm; buds point away from the roots.',
      { what: 'The stick is held upside down.', looks: 'Leaf scars stand above their buds.', point: 'way-up' },
      [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
    ),
    step({
      id: 'stock-off',
      action: 'Cut the stock off, 200 to 230 mm above the roots at the bench.',
      lookFor: 'Green all round under the bark, no brown.',
      caution: 'long-cut',
      pull: 'up',
      figures: [{ name: 'above the roots', mm: 215, range: { from: 200, to: 230 } }],
      wrong: {
        what: 'It is cut where a branch or a bend is.',
        looks: 'The long cut runs through a knot and cannot be flat.',
      },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, cut.rise.stock) }),
    }),
    step({
      id: 'trim',
      action: `Trim the stick to ${buds === 1 ? 'one bud' : `${buds} buds`}, back to green at both ends.`,
      lookFor: 'Bright green at both ends; the lowest bud stands above the coming cut.',
      wrong: { what: 'A brown end is left on.', looks: 'A dry rim that no callus crosses.', point: 'wood' },
      caution: 'long-cut',
      apply: (p) => ({ ...p, scion: toppedAt(footedAt(p.scion, 0), cut.tip) }),
    }),
    ...(filmFirst ? [film] : []),
  ];
}

/** The sloping cuts. */
function cutSlopes({ stock, cut, scion }: Cuts): Step[] {
  return [
    step({
      id: 'stock-cut',
      action: 'Make the long sloping cut on the stock in one pull.',
      figures: [slopeFigure(cut, 'stock', stock, CUT_LENGTH)],
      lookFor: 'Flat: no light under a straight edge.',
      caution: 'long-cut',
      pull: 'up',
      wrong: {
        what: 'The wrist turns and the blade digs in.',
        looks: 'The face is hollow; only its ends will touch.',
        point: 'flatness',
      },
      apply: (p) => ({ ...p, stock: cutOn(p.stock, 'front', cut.stockCut) }),
      spoil: (p) => ({ ...p, stock: hollowed(cutOn(p.stock, 'front', cut.stockCut), 'front') }),
    }),
    step({
      id: 'scion-cut',
      action: 'Make the same cut at the base of the scion, below its lowest bud, just as long.',
      figures: [slopeFigure(cut, 'scion', scion, CUT_LENGTH)],
      lookFor: 'Both cuts are within a tenth of each other in length.',
      caution: 'long-cut',
      pull: 'down',
      wrong: {
        what: 'It comes out shorter than the stock’s.',
        looks: 'Ends stand over and the outlines part.',
        point: 'cut-length',
      },
      apply: (p) => ({ ...p, scion: cutOn(p.scion, 'back', cut.scionCut) }),
      spoil: (p) => ({
        ...p,
        scion: cutOn(p.scion, 'back', [
          [0, scion],
          [cut.rise.scion * 0.55, 0],
        ]),
      }),
    }),
  ];
}

/** The tongues. */
function cutTongues({ middleTongue, tongue, cut, stock }: Cuts): Step[] {
  return [
    step({
      id: 'stock-tongue',
      action: middleTongue
        ? 'Cut a shallow tongue in the middle of the stock’s face.'
        : 'Start the stock’s tongue a third down from its tip and rock the blade in along the grain.',
      figures: [{ name: 'tongue', mm: Math.round(tongue.length * 10) / 10 }],
      lookFor: 'The slit follows the grain and is no longer than a third of the face.',
      caution: 'tongue-cut',
      pull: 'down',
      wrong: {
        what: 'The blade is pressed and the split runs.',
        looks: 'The tongue gapes, or breaks out at the side.',
        point: 'tongue',
      },
      apply: (p) => ({ ...p, stock: withKerf(p.stock, 'front', ...tongue.stockSlit) }),
      spoil: (p) => ({
        ...p,
        stock: withKerf(p.stock, 'front', tongue.stockSlit[0]!, [-cut.length * 0.4, stock * 0.5]),
      }),
    }),
    step({
      id: 'scion-tongue',
      action: 'Cut the same tongue in the scion.',
      figures: [{ name: 'tongue', mm: Math.round(tongue.length * 10) / 10 }],
      lookFor: 'Slits of one length at one place, so that both shoulders close together.',
      caution: 'tongue-cut',
      pull: 'up',
      wrong: { what: 'It starts too near the tip.', looks: 'The tongues overshoot and leave a gap at the shoulder.' },
      apply: (p) => ({ ...p, scion: withKerf(p.scion, 'back', ...tongue.scionSlit) }),
    }),
  ];
}

/** Joined, bound and sealed. */
function joinBoth({ tongue, cut, inset, offset, layers, filmFirst, film }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Open both slits with the blade, lay the knife down, and slide tongue into notch until the faces close.',
      joins: true,
      lookFor: 'No daylight between the faces.',
      caution: 'hands-meet',
      wrong: {
        what: 'It is pushed past the point where the faces close.',
        looks: 'A gap at the shoulder, and bark standing over bark.',
        point: 'daylight',
      },
      apply: (p) => ({
        ...p,
        joined: true,
        stock: { ...p.stock, kerfs: [], tongue: { side: 'front', corners: tongue.stockSeam } },
        scion: cut.fitted({ ...p.scion, kerfs: [], tongue: { side: 'back', corners: tongue.scionSeam } }),
      }),
      spoil: (p) => ({
        ...p,
        joined: true,
        scion: posed(cut.fitted(p.scion), { u: 2.4, y: cut.fitted(p.scion).pose.y + 3 }),
      }),
    }),
    Math.abs(inset) > 0.25
      ? step({
          id: 'aside',
          action: 'Shift the scion to one side until the green lines meet there.',
          figures: [{ name: 'to the side', mm: Math.round(Math.abs(inset) * 10) / 10 }],
          view: 'front',
          lookFor: `One side matches all the way down under the bark: ${offset}.`,
          wrong: {
            what: 'It is left in the middle.',
            looks: 'Both green lines run side by side and meet nowhere.',
            point: 'cambium',
          },
          blocks: null,
          apply: (p) => ({ ...p, scion: posed(p.scion, { w: -inset }) }),
          spoil: (p) => p,
        })
      : step({
          id: 'sides',
          action: 'Look along both sides: the green lines meet under the bark.',
          noCut: true,
          view: 'front',
          lookFor: 'The lines run into each other left and right.',
          wrong: {
            what: 'Outer bark is matched instead.',
            looks: 'Flush outside, with the green lines apart underneath.',
            point: 'cambium',
          },
          apply: (p) => p,
        }),
    step({
      id: 'hold',
      action: 'Turn it over and shake it once.',
      noCut: true,
      lookFor: 'The scion stays.',
      wrong: {
        what: 'It drops, and is bound all the same.',
        looks: 'Faces that only the tape holds together.',
        point: 'hold',
      },
      apply: (p) => p,
    }),
    bindStep(-6, cut.rise.stock + 6, 'tape', {
      action: layers
        ? 'Wrap stretch tape from below upward and back down, two layers, and end with a hitch.'
        : 'Wrap stretch tape from below upward, few tight turns, and end with a hitch.',
    }),
    ...(filmFirst ? [] : [film]),
    sealStep({ tip: cut.tip }, 'Seal the scion’s tip, and over the wrap if it is to last.'),
    labelStep(-10),
  ];
}
