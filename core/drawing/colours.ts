/**
 * The colours of the one theme, by what they stand for: for charts, drawings and paper, which know no
 * stylesheet. `app/globals.css` names the same ones for pages, and changes them for bright sun and dim rooms.
 */
export const COLOURS = {
  paper: '#f5f8f4',
  sheet: '#fdfefc',
  ink: '#16201a',
  muted: '#48534b',
  line: '#bcc8be',
  mist: '#e6ede6',
  /** What is alive, and green lines. */
  life: '#0b7a3b',
  /** What must not be overlooked. */
  loud: '#c4105f',
  /** Leaves, and their edge. */
  leaf: '#c9dcc9',
  'leaf-edge': '#5d7a62',
  /** Twigs, buds and benches. */
  bark: '#8a6a45',
  /** The outside of a shoot, and its edge. */
  skin: '#b79a78',
  'skin-edge': '#5d452c',
  wood: '#f2e6cb',
  /** The top of a bench. */
  board: '#e6d8bd',
  pith: '#dcc69b',
  flap: '#cdb48f',
  foil: '#e9eeea',
  wax: '#3b3f3c',
  steel: '#9aa59d',
  /** Outlines of what is only thought of. */
  ghost: '#5a635d',
  /** Lines to cut along on paper. */
  trim: '#8a938c',
  /** Lines and bands behind a curve. */
  grid: '#d5ddd6',
  band: '#cfe0d2',
  white: '#ffffff',
  black: '#000000',
} as const;
