import { BUD_COUNTS } from '../bud-counts';
import { cutOn, footedAt, posed, thinner, toppedAt } from '../../drawing/workpieces';
import { prose } from '../../units/prose';
import { type SlopeLength, slopeLength } from '../common/slope-length';
import { hollowed, slopeFigure, slopeFilm, slopingCut } from '../common/sloping-cut';
import {
  BENCH_BOUND,
  bindStep,
  budsInWords,
  chooseWood,
  coatStep,
  labelStep,
  onFace,
  sealStep,
  step,
  writeTags,
} from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { ABOVE_ROOTS, ABOVE_SOIL, stockOff } from '../common/stock-off';
import { SPLICE_PLACE } from '../schools/of-making';
import { BINDING, COAT, FILM_WHEN, SEALANT, TURNS } from '../schools/of-covering';
import { BUDS, KNIFE, SCION_STAGE, WHIP_LENGTH } from '../schools/of-cutting';
import type { Step } from '../step';

/** Length of both cuts by school: by ratio as long as four calipers, since no tongue helps to hold. */
export function lengthFor(choices: Choices, wood: Wood): SlopeLength {
  return slopeLength(chosen(choices, WHIP_LENGTH), wood, 4);
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const by = lengthFor(choices, wood);
  const buds = chosen(choices, BUDS);
  const long = Math.max(wood.length ?? by.aim, Math.max(stock, scion) * 1.2);
  const cut = slopingCut(wood, long, BUD_COUNTS.get(buds)!);
  const filmFirst = chosen(choices, FILM_WHEN) === 'before';
  const film = slopeFilm(cut, filmFirst);
  return { choices, stock, scion, buds, by, cut, filmFirst, film };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareBoth(cuts), ...cutSlopes(cuts), ...joinBoth(cuts)];
}

/** Both pieces chosen and trimmed. */
function prepareBoth({ choices, stock, scion, cut, buds, filmFirst, film }: Cuts): Step[] {
  const outdoors = chosen(choices, SPLICE_PLACE) === 'outdoors';
  return [
    writeTags(),
    chooseWood({
      action: 'Pair stock and stick to within a tenth of their caliper, and find which way the buds point.',
      lookFor: 'Calipers alike: without a tongue nothing can be slid to one side and stay.',
      wrong: {
        what: 'A thin stick is paired with a thick stock.',
        looks: 'One side stands in the middle of the other’s face.',
      },
      spoil: (p) => ({ ...p, scion: thinner(p.scion, 0.6, 0) }),
      figures: [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
      stage: chosen(choices, SCION_STAGE),
    }),
    step({
      id: 'stock-off',
      action: stockOff(outdoors),
      figures: [outdoors ? ABOVE_SOIL : ABOVE_ROOTS],
      lookFor: 'Green all round under the bark.',
      caution: 'long-cut',
      pull: 'up',
      wrong: { what: 'It is cut at a knot.', looks: 'The long cut runs through a knot and cannot be flat.' },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, cut.rise.stock) }),
    }),
    step({
      id: 'trim',
      action: `Trim the stick to ${budsInWords(buds)}, back to green at both ends.`,
      lookFor: 'Bright green at both ends.',
      caution: 'long-cut',
      wrong: { what: 'A brown end is left on.', looks: 'A dry rim that no callus crosses.', point: 'wood' },
      apply: (p) => ({ ...p, scion: toppedAt(footedAt(p.scion, 0), cut.tip) }),
    }),
    ...(filmFirst ? [film] : []),
  ];
}

/** The sloping cuts. */
function cutSlopes({ choices, by, stock, cut, scion }: Cuts): Step[] {
  return [
    step({
      id: 'stock-cut',
      action: prose`Make the sloping cut on the stock in one pull, ${by.words}.`,
      figures: [slopeFigure(cut, 'stock', stock, by.range)],
      lookFor: onFace('Flat: no light under a straight edge.', chosen(choices, KNIFE)),
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
      figures: [slopeFigure(cut, 'scion', scion, by.range)],
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
function joinBoth({ choices, cut, filmFirst, film }: Cuts): Step[] {
  const binding = chosen(choices, BINDING);
  const by = chosen(choices, SEALANT);
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
    bindStep(-5, cut.rise.stock + 5, {
      kind: binding === 'ties' ? 'film' : 'tape',
      action:
        binding === 'ties'
          ? `${BENCH_BOUND.ties}; take the clip off last`
          : `${BENCH_BOUND[binding]} from below upward; take the clip off as the tape reaches it`,
      turns: chosen(choices, TURNS),
    }),
    ...(filmFirst ? [] : [film]),
    ...(chosen(choices, COAT) === 'coat' ? [coatStep(-5, cut.rise.stock + 5, by)] : []),
    sealStep({ tip: cut.tip, by }),
    labelStep(-10),
  ];
}
