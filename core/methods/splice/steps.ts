import { BUD_COUNTS } from '../bud-counts';
import { cutOn, footedAt, posed, toppedAt } from '../../drawing/workpieces';
import { hollowed, slopeFigure, slopeFilm, slopingCut } from '../common/sloping-cut';
import { bindStep, chooseWood, labelStep, sealStep, step, writeTags } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import type { Step } from '../step';

export const CUT_LENGTH = { from: 25, to: 65 };

/** Length of both cuts by school. */
export function cutLengthFor(choices: Choices, { stock, scion, length }: Wood): number {
  const by = chosen(choices, school.WHIP_LENGTH);
  const wanted = by === 'short' ? 25 : by === 'long' ? 65 : Math.max(25, Math.round(2 * (stock + scion)));
  return Math.max(length ?? wanted, Math.max(stock, scion) * 1.2);
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const cut = slopingCut(wood, cutLengthFor(choices, wood), BUD_COUNTS.get(chosen(choices, school.BUDS))!);
  const filmFirst = chosen(choices, school.FILM_WHEN) === 'before';
  const film = slopeFilm(cut, filmFirst);
  return { choices, stock, scion, cut, filmFirst, film };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareBoth(cuts), ...cutSlopes(cuts), ...joinBoth(cuts)];
}

/** Both pieces chosen and trimmed. */
function prepareBoth({ stock, scion, cut, choices, filmFirst, film }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood(
      'Pair stock and stick to within a tenth of their caliper, and find which way the buds point.',
      'Calipers alike: without a tongue nothing can be slid to one side and stay.',
      {
        what: 'A thin stick is paired with a thick stock.',
        looks: 'One side stands in the middle of the other’s face.',
      },
      [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
    ),
    step({
      id: 'stock-off',
      action: 'Cut the stock off, 200 to 230 mm above the roots.',
      figures: [{ name: 'above the roots', mm: 215, range: { from: 200, to: 230 } }],
      lookFor: 'Green all round under the bark.',
      caution: 'long-cut',
      pull: 'up',
      wrong: { what: 'It is cut at a knot.', looks: 'The long cut runs through a knot and cannot be flat.' },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, cut.rise.stock) }),
    }),
    step({
      id: 'trim',
      action: `Trim the stick to ${chosen(choices, school.BUDS) === 'one' ? 'one bud' : `${chosen(choices, school.BUDS)} buds`}, back to green at both ends.`,
      lookFor: 'Bright green at both ends.',
      caution: 'long-cut',
      wrong: { what: 'A brown end is left on.', looks: 'A dry rim that no callus crosses.', point: 'wood' },
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
      action: 'Make the sloping cut on the stock in one pull.',
      figures: [slopeFigure(cut, 'stock', stock, CUT_LENGTH)],
      lookFor: 'Flat: no light under a straight edge.',
      caution: 'long-cut',
      pull: 'up',
      wrong: {
        what: 'Soft wood is pressed and the blade dives.',
        looks: 'A hollow face with a feathered tip.',
        point: 'flatness',
      },
      apply: (p) => ({ ...p, stock: cutOn(p.stock, 'front', cut.stockCut) }),
      spoil: (p) => ({ ...p, stock: hollowed(cutOn(p.stock, 'front', cut.stockCut), 'front') }),
    }),
    step({
      id: 'scion-cut',
      action: 'Make the same cut at the base of the scion, just as long.',
      figures: [slopeFigure(cut, 'scion', scion, CUT_LENGTH)],
      lookFor: 'Both faces lie on each other from end to end.',
      caution: 'long-cut',
      pull: 'down',
      wrong: {
        what: 'The slope differs.',
        looks: 'Light on one end when the faces are laid together.',
        point: 'cut-length',
      },
      apply: (p) => ({ ...p, scion: cutOn(p.scion, 'back', cut.scionCut) }),
      spoil: (p) => ({
        ...p,
        scion: cutOn(p.scion, 'back', [
          [0, scion],
          [cut.rise.scion * 0.6, 0],
        ]),
      }),
    }),
  ];
}

/** Joined, bound and sealed. */
function joinBoth({ cut, filmFirst, film }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Lay face on face, green line on green line, and clip it.',
      joins: true,
      lookFor: 'Ends level, both sides match, no daylight.',
      caution: 'hands-meet',
      blocks: 'Without a clip or a helper it slides while the tape goes on.',
      wrong: {
        what: 'It slips while it is wrapped.',
        looks: 'One end stands over; the green lines part.',
        point: 'cambium',
      },
      apply: (p) => ({ ...p, joined: true, scion: cut.fitted(p.scion) }),
      spoil: (p) => ({
        ...p,
        joined: true,
        scion: posed(cut.fitted(p.scion), { y: cut.fitted(p.scion).pose.y + 6, u: 1.7 }),
      }),
    }),
    bindStep(-5, cut.rise.stock + 5, 'tape', {
      action: 'Wrap stretch tape from below upward; take the clip off as the tape reaches it.',
    }),
    ...(filmFirst ? [] : [film]),
    sealStep({ tip: cut.tip }, 'Seal the scion’s tip.'),
    labelStep(-10),
  ];
}
