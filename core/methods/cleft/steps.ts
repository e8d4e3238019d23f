import { BUD_COUNTS } from '../bud-counts';
import { covered, footedAt, scored, toppedAt, withSplit } from '../../drawing/workpieces';
import { mm, prose } from '../../units/prose';
import {
  bindStep,
  budsInWords,
  chooseWood,
  coatStep,
  filmStep,
  heldUpsideDown,
  labelStep,
  onFace,
  sealStep,
  step,
  writeTags,
} from '../common/steps';
import { inSplit, splitOn, splitOpen, wedged, wedgePieces } from '../common/wedge-shape';
import type { Wood } from '../method';
import { TAPE_WIDTH } from '../common/materials';
import { chosen, type Choices } from '../school';
import { NURSE_LIMB } from '../schools/of-aftercare';
import { COAT, FILM_WHEN, SEALANT, STUMP } from '../schools/of-covering';
import { BUDS, KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { CLEFT_STUMPS, stumpRow } from '../stump-scions';

export const WEDGE_LENGTH = { from: 25, to: 40 };

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? Math.max(WEDGE_LENGTH.from, Math.min(WEDGE_LENGTH.to, scion * 3.8)));
  const split = Math.max(30, Math.min(50, length + 6), length);
  const buds = chosen(choices, BUDS);
  const { start, tip } = wedgePieces(wood, length, split, BUD_COUNTS.get(buds)!);
  const inset = wood.stockBark - wood.scionBark;
  const stump = chosen(choices, STUMP);
  // A split has two edges, whatever a table says.
  const scions = Math.min(2, wood.scions ?? stumpRow(CLEFT_STUMPS, stock).set);
  const two = scions > 1;
  const filmFirst = chosen(choices, FILM_WHEN) === 'before';
  const film = filmStep(
    1,
    tip,
    filmFirst
      ? 'Wrap the scion in film, all but the end that is cut.'
      : 'Wrap the scion in film from the tape to its tip.',
  );
  return { choices, stock, scion, buds, length, split, start, tip, inset, stump, scions, two, filmFirst, film };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareStock(cuts), ...cutScion(cuts), ...setScion(cuts)];
}

/** The stock made ready, up to its cut. */
function prepareStock({ choices, split, stock }: Cuts): Step[] {
  return [
    writeTags(),
    step({
      id: 'saw',
      action: `Saw the limb off square at clear wood, undercut first${chosen(choices, NURSE_LIMB) === 'nurse' ? ', and keep a nurse limb below' : ''}.`,
      lookFor: 'A square face with no knot in the next hand’s breadth.',
      caution: 'saw',
      pull: 'down',
      wrong: { what: 'It is sawn from above only.', looks: 'A strip of bark is torn down the limb.' },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, 0) }),
    }),
    step({
      id: 'pare',
      action: 'Pare the sawn rim smooth with the knife.',
      noCut: true,
      signs: [{ sign: 'rub', on: 'stock' }],
      lookFor: 'The green ring shines all round.',
      caution: 'long-cut',
      wrong: { what: 'The rim stays rough from the saw.', looks: 'Frayed bark where the green line should be.' },
      apply: (p) => p,
    }),
    step({
      id: 'split',
      action: 'Set the blade across the middle and knock a split into the stock.',
      view: 'front',
      caution: 'driven',
      pull: 'down',
      figures: [
        {
          name: 'depth of the split',
          mm: split,
          range: { from: 30, to: 50 },
          dimension: { piece: 'stock', view: 'front', from: [0, 0], to: [0, -split], off: stock / 2 + 4 },
        },
      ],
      lookFor: 'It runs through the pith and stops by itself.',
      wrong: { what: 'It is driven off the middle.', looks: 'The thin half bends and grips nothing.', point: 'split' },
      apply: (p) => ({
        ...p,
        stock: withSplit(p.stock, -split),
      }),
      spoil: (p) => ({
        ...p,
        stock: scored(p.stock, [
          [stock * 0.3, 0],
          [stock * 0.36, -split],
        ]),
      }),
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ choices, stock, scion, buds, length, tip, filmFirst, film }: Cuts): Step[] {
  return [
    chooseWood({
      action: 'Take a scion and find which way its buds point.',
      lookFor: 'Dormant, straight, its lowest bud to sit just above the wedge on the outside.',
      wrong: { what: 'The stick is held upside down.', looks: 'Leaf scars stand above their buds.', point: 'way-up' },
      spoil: heldUpsideDown,
      figures: [
        { name: 'stock', mm: stock },
        { name: 'scion', mm: scion },
      ],
    }),
    step({
      id: 'trim',
      action: `Trim the stick to ${budsInWords(buds)}, back to green at both ends.`,
      lookFor: 'Bright green at both ends.',
      caution: 'long-cut',
      wrong: { what: 'A brown end is left on.', looks: 'A dry end that no callus crosses.', point: 'wood' },
      apply: (p) => ({ ...p, scion: toppedAt(footedAt(p.scion, -length), tip) }),
    }),
    ...(filmFirst ? [film] : []),
    step({
      id: 'wedge',
      action: 'Cut a wedge with two flat faces, its outer edge a little thicker than its inner.',
      view: 'front',
      caution: 'long-cut',
      pull: 'down',
      figures: [
        {
          name: 'wedge',
          mm: length,
          range: WEDGE_LENGTH,
          dimension: { piece: 'scion', view: 'front', from: [0, -length], to: [0, 0], off: scion / 2 + 5 },
        },
      ],
      lookFor: onFace(
        'Two flat faces without ripples; the lowest bud stands just above, on the outside.',
        chosen(choices, KNIFE),
      ),
      wrong: {
        what: 'The wedge is short and blunt.',
        looks: 'It touches at the rim only and stands open below.',
        point: 'cut-length',
      },
      apply: (p) => ({ ...p, scion: wedged(p.scion, length) }),
      spoil: (p) => ({ ...p, scion: wedged(p.scion, length, true) }),
    }),
  ];
}

/** The scion set, held and covered. */
function setScion({ choices, split, scion, inset, two, filmFirst, film, tip, stump }: Cuts): Step[] {
  return [
    step({
      id: 'open',
      action: 'Hold the split open with a driver.',
      view: 'front',
      lookFor: 'Just wide enough for the wedge to slide.',
      caution: 'driven',
      wrong: { what: 'It is levered wide.', looks: 'The split runs on down the limb.' },
      apply: (p) =>
        covered({ ...p, stock: splitOpen(p.stock, split, scion) }, { kind: 'driver', on: 'stock', from: -14, to: 18 }),
      spoil: (p) => ({ ...p, stock: splitOpen(p.stock, p.stock.foot * -0.95, scion * 1.5) }),
    }),
    step({
      id: 'join',
      action:
        'Slide the wedge in at the edge, green line on green line under the bark, tilted by about one degree so that the lines are sure to cross; three degrees is too much.',
      joins: true,
      caution: 'hands-meet',
      view: 'side',
      figures: [{ name: 'inside the outer bark', mm: Math.round(Math.max(0, inset) * 10) / 10 }],
      lookFor: 'Bark on the stock is thicker: the scion stands a little inside it.',
      wrong: {
        what: 'The outsides are set flush.',
        looks: 'The scion’s green line lies in the stock’s bark.',
        point: 'cambium',
      },
      apply: (p) => ({ ...p, joined: true, scion: inSplit(p.scion, p.stock, inset) }),
      spoil: (p) => ({ ...p, joined: true, scion: inSplit(p.scion, p.stock, -scion * 0.3) }),
    }),
    ...(two
      ? [
          step({
            id: 'second',
            action: 'Set a second scion at the other edge.',
            lookFor: 'Both stand with their green lines on the stock’s.',
            wrong: { what: 'One edge is left empty.', looks: 'Half of the stump dies back and rots.' },
            apply: (p) => ({ ...p, second: inSplit(p.scion, p.stock, inset, -1) }),
          }),
        ]
      : []),
    step({
      id: 'release',
      action: 'Take the driver out: the stock grips.',
      view: 'front',
      lookFor: 'The scion cannot be pulled out.',
      wrong: { what: 'It is loose when the driver is out.', looks: 'Daylight below the rim.', point: 'hold' },
      caution: 'driven',
      apply: (p) => ({
        ...p,
        stock: splitOn(p.stock, split, p.scion),
        covers: p.covers.filter(({ kind }) => kind !== 'driver'),
      }),
    }),
    bindStep(-split - 6, 0, {
      kind: 'tape',
      width: TAPE_WIDTH.strong,
      action: prose`Wrap strong tape, ${mm(25)} wide, hard, from below the split upward`,
      wrong: {
        what: 'The wrap starts above the end of the split.',
        looks: 'An open split below the tape, where water gets in.',
        point: 'bind',
      },
    }),
    ...(filmFirst ? [] : [film]),
    ...(chosen(choices, COAT) === 'coat' ? [coatStep(-split - 6, 0, chosen(choices, SEALANT))] : []),
    sealStep({ tip, rim: 0, cuts: 'the rim, the ends of the split', stump, by: chosen(choices, SEALANT) }),
    labelStep(-split - 8),
  ];
}
