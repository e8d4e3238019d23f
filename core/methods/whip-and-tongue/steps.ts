import { cutOn, footedAt, posed, toppedAt, withKerf } from '../../drawing/workpieces';
import { measured, mm, prose } from '../../units/prose';
import { hollowed, slopeFigure } from '../common/sloping-cut';
import {
  BENCH_BOUND,
  bindStep,
  budsInWords,
  chooseWood,
  coatStep,
  heldUpsideDown,
  labelStep,
  onFace,
  sealStep,
  step,
  wagging,
  writeTags,
} from '../common/steps';
import { chosen } from '../school';
import { BINDING, COAT, SEALANT, TURNS } from '../schools/of-covering';
import { KNIFE, SCION_STAGE } from '../schools/of-cutting';
import { BLEEDING } from '../schools/of-kin';
import { WHIP_PLACE } from '../schools/of-making';
import { ABOVE_ROOTS, ABOVE_SOIL, stockOff } from '../common/stock-off';
import type { Step } from '../step';
import type { Cuts } from './cuts';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareBoth(cuts), ...cutSlopes(cuts), ...cutTongues(cuts), ...joinBoth(cuts), ...closeUp(cuts)];
}

/** Both pieces chosen and trimmed. */
function prepareBoth({ choices, stock, scion, cut, buds, filmFirst, film }: Cuts): Step[] {
  const bleeds = chosen(choices, BLEEDING) === 'bleeds';
  const outdoors = chosen(choices, WHIP_PLACE) === 'outdoors';
  return [
    writeTags(),
    chooseWood({
      action: 'Pair a stock and a stick of like caliper, and find which way the buds point.',
      lookFor: prose`Two good buds, straight wood, calipers within ${mm(1)}; buds point away from the roots. Where a variety’s side shoots hang, the tip of the stick makes the straighter tree.`,
      wrong: { what: 'The stick is held upside down.', looks: 'Leaf scars stand above their buds.', point: 'way-up' },
      spoil: heldUpsideDown,
      figures: [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
      stage: chosen(choices, SCION_STAGE),
    }),
    ...(bleeds ? [drain()] : []),
    step({
      id: 'stock-off',
      action: bleeds ? 'Cut the dried end off the stock, down to fresh green wood.' : stockOff(outdoors),
      lookFor: 'Green all round under the bark, no brown.',
      caution: 'long-cut',
      pull: 'up',
      figures: [outdoors ? ABOVE_SOIL : ABOVE_ROOTS],
      wrong: {
        what: 'It is cut where a branch or a bend is.',
        looks: 'The long cut runs through a knot and cannot be flat.',
      },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, cut.rise.stock) }),
    }),
    step({
      id: 'trim',
      action: `Trim the stick to ${budsInWords(buds)}, back to green at both ends.`,
      lookFor: 'Bright green at both ends; the lowest bud stands above the coming cut.',
      wrong: { what: 'A brown end is left on.', looks: 'A dry rim that no callus crosses.', point: 'wood' },
      caution: 'long-cut',
      apply: (p) => ({ ...p, scion: toppedAt(footedAt(p.scion, 0), cut.tip) }),
    }),
    ...(filmFirst ? [film] : []),
  ];
}

/** Sap of a bleeding stock is led off before it reaches the cut. */
function drain(): Step {
  return step({
    id: 'drain',
    action: 'On the stock that was cut off and gashed 7 to 10 days ago, gash afresh below, or drill a drain.',
    noCut: true,
    signs: [{ sign: 'drain', on: 'stock' }],
    lookFor: prose`Sap runs from the gashes and the top stays dry. The stock is young and grows fast: an older one is left to reach ${mm(50)} and gets a bark graft.`,
    caution: 'bud-cut',
    blocks: 'Sap that floods the faces turns them black, and nothing knits.',
    wrong: {
      what: 'The stock is cut off on the day.',
      looks: 'A wet face that blackens within the hour.',
      point: 'wood',
    },
    apply: (p) => p,
  });
}

/** The sloping cuts. */
function cutSlopes({ choices, by, stock, cut, scion, muchThinner }: Cuts): Step[] {
  const aside = muchThinner
    ? ' This scion is much thinner: slice the stock only as wide as the scion, instead of right through.'
    : '';
  return [
    step({
      id: 'stock-cut',
      action: prose`Make the long sloping cut on the stock in one pull, ${by.words}.${aside}`,
      figures: [slopeFigure(cut, 'stock', stock, by.range)],
      lookFor: onFace('Flat: no light under a straight edge.', chosen(choices, KNIFE)),
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
      figures: [slopeFigure(cut, 'scion', scion, by.range)],
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
  const figures = [{ name: 'tongue', mm: Math.round(tongue.length * 10) / 10 }];
  return [
    step({
      id: 'stock-tongue',
      action: middleTongue
        ? prose`Cut a shallow tongue in the middle of the stock’s face, about ${mm(6)}.`
        : 'Start the stock’s tongue a third down from its tip and rock the blade in along the grain.',
      figures,
      lookFor: middleTongue
        ? 'The slit follows the grain and is so shallow that the pieces will slide.'
        : 'The slit follows the grain and is no longer than a third of the face.',
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
      figures,
      lookFor: 'Slits of one length at one place, so that both shoulders close together.',
      caution: 'tongue-cut',
      pull: 'up',
      wrong: {
        what: 'It is cut too deep.',
        looks: 'Tongues that bend or snap, and faces that stand open between them.',
        point: 'tongue',
      },
      apply: (p) => ({ ...p, scion: withKerf(p.scion, 'back', ...tongue.scionSlit) }),
    }),
  ];
}

/** Joined, set and held. */
function joinBoth({ middleTongue, tongue, cut, inset }: Cuts): Step[] {
  const beside =
    inset < 0
      ? prose`the scion stands out ${measured(-inset)} under the bark`
      : prose`it is ${measured(inset)} slimmer under the bark`;
  return [
    step({
      id: 'join',
      action: middleTongue
        ? 'Open both slits with the blade, lay the knife down, and slide the pieces until the lines meet and the faces close.'
        : 'Open both slits with the blade, lay the knife down, and slide tongue into notch until the faces close.',
      joins: true,
      lookFor: 'No daylight between the faces.',
      caution: 'hands-meet',
      wrong: {
        what: 'It is pushed past the point where the faces close.',
        looks: 'Tongues that overshoot: a gap at the shoulder, and bark standing over bark.',
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
          lookFor: prose`One side matches all the way down under the bark: ${beside}.`,
          wrong: {
            what: 'It is left in the middle.',
            looks: 'Both green lines run side by side and meet nowhere.',
            point: 'cambium',
          },
          apply: (p) => ({ ...p, scion: posed(p.scion, { w: -inset }) }),
          spoil: (p) => p,
        })
      : step({
          id: 'sides',
          action: 'Look along both sides: the green lines meet under the bark.',
          noCut: true,
          signs: [{ sign: 'look', on: 'stock' }],
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
      signs: [{ sign: 'shake', on: 'scion' }],
      lookFor: 'The scion stays.',
      wrong: {
        what: 'It drops, and is bound all the same.',
        looks: 'Faces that only the tape holds together.',
        point: 'hold',
      },
      apply: (p) => p,
      spoil: wagging,
    }),
  ];
}

/** Bound, covered and named. */
function closeUp({ choices, cut, filmFirst, film }: Cuts): Step[] {
  const turns = chosen(choices, TURNS);
  const binding = chosen(choices, BINDING);
  const by = chosen(choices, SEALANT);
  return [
    bindStep(-6, cut.rise.stock + 6, {
      kind: binding === 'ties' ? 'film' : 'tape',
      action:
        binding === 'ties'
          ? BENCH_BOUND.ties
          : turns === 'few'
            ? `${BENCH_BOUND[binding]} from below upward, in few tight turns that callus shows through, and end with a hitch`
            : `${BENCH_BOUND[binding]} tight from below upward and end with a hitch`,
      turns,
    }),
    ...(filmFirst ? [] : [film]),
    ...(chosen(choices, COAT) === 'coat' ? [coatStep(-6, cut.rise.stock + 6, by)] : []),
    sealStep({ tip: cut.tip, by }),
    labelStep(-10),
  ];
}
