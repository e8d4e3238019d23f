/** Causes of low contact that need no figure to be told. */
const PLAIN = {
  'stock-hollow': "The stock's face is hollow over more than half its length.",
  'scion-hollow': "The scion's face is hollow over more than half its length.",
  'faces-hollow': 'Both faces are hollow; together they stand open over more than half their length.',
  'scion-thinner':
    'The scion is thinner under the bark and the pieces sit centre to centre, so the lines run side by side.',
  'stock-thinner':
    'The stock is thinner under the bark and the pieces sit centre to centre, so the lines run side by side.',
  'too-far-aside': 'The scion is pushed too far to one side; its line runs off the stock.',
  turned: 'The scion is turned, so the lines cross instead of lying on each other.',
  'too-high': 'The scion sits too high, so the curves of the ends miss each other.',
  'too-low': 'The scion sits too low, so the curves of the ends miss each other.',
  'lengths-differ': 'The two cuts differ in length, so the outlines part at the ends.',
  'open-middle': 'The faces do not close in the middle.',
  'unequal-wood': 'The pieces differ in thickness under the bark, so one side is all this pair can match.',
  'slightly-apart': 'The lines lie a little apart.',
  'wedge-hollow': 'The faces of wedge and split stand open over more than half their length.',
  'wedge-crosses': 'The wedge leans, so its line crosses the stock’s once and parts from it again.',
  'wedge-leans': 'The wedge leans, so the lines meet at the rim and part further down.',
  'outsides-flush': 'The outsides are flush, and the stock’s bark is thicker: the green lines run side by side.',
  'too-far-in': 'The wedge stands too far in; its green line lies inside the stock’s.',
  'too-far-out': 'The wedge stands too far out; its green line lies in the stock’s bark.',
  'wood-round':
    'The wood is rounder than the face is flat, so both edges stand off it. A slimmer scion, a shallower face, a flatter spot or a thicker stock would help.',
  'face-hollow': 'The face is hollow, so its edges leave the wood in the middle. One straight pull would mend it.',
  'slots-wide': 'The slots stand wider than the scion, so neither flank touches.',
  'one-flank': 'The scion fills one side of its slot only; the other flank stands off.',
  'edges-leave': 'The edges leave the wood in places.',
  'bark-forced': 'The bark was forced off instead of slipping, so there is no living wood to lie on.',
  'upside-down': 'The bud stands on its head.',
  'shield-out': 'Part of the shield sticks out of the cut; a longer down cut would take it in.',
  'shield-hollow': 'The back of the shield is hollow, so it lies on the wood at its ends only.',
  'not-pushed-in': 'The shield is not pushed all the way in.',
  'flap-torn': 'A flap that is torn off leaves its flat bare.',
} as const;

export type PlainCause = keyof typeof PLAIN;
export const PLAIN_CAUSES = Object.keys(PLAIN) as PlainCause[];

/** Why contact is low, as a code, with the figures that tell where and how much. */
export type LowContact =
  | { code: PlainCause }
  /** A window taller than its patch: which edge stands off, and by how many mm. */
  | { code: 'window-tall'; edge: 'top' | 'bottom' | 'both'; off: number }
  /** Flats much narrower than their flaps, by the numbers of the flaps. */
  | { code: 'flats-narrow'; flaps: number[] }
  | { code: 'flap-covers-least'; flap: number };

/**
 * A cause as a sentence.
 *
 * @example lowContactWords({ code: 'upside-down' }) // 'The bud stands on its head.'
 */
export function lowContactWords(cause: LowContact): string {
  switch (cause.code) {
    case 'window-tall': {
      const off = `${cause.off.toFixed(1)} mm off`;
      return cause.edge === 'both'
        ? `The window is too tall for the patch: both ends stand ${off}.`
        : `The ${cause.edge} edge stands ${off}; the window is taller than the patch.`;
    }
    case 'flats-narrow':
      return `Flat ${cause.flaps.join(' and ')} is much narrower than its flap, so most of the flap lies on bark. Shave it to the green over more of its width.`;
    case 'flap-covers-least':
      return `Flap ${cause.flap} covers its flat least: make flap and flat alike in width and length.`;
    default:
      return PLAIN[cause.code];
  }
}
