import type { WedgeUnion } from '../../contact/wedge-contact';
import type { Field } from '../field';
import type { Figures } from '../measures';

/** How far inside the stock's outer surface a wedge stands: in words, or in mm. */
export function wedgePlacement(): Field {
  return {
    id: 'inset',
    name: 'how far the wedge is set in',
    short: 'How the wedge is set',
    unit: 'mm',
    least: -100,
    most: 100,
    place: 'picked',
    typed: true,
    keepsPick: true,
    lies: 'inward',
    picks: [
      {
        id: 'lines',
        words: 'Green lines met',
        value: (figures) => figures.stockBark! - figures.scionBark!,
        usual: true,
      },
      { id: 'flush', words: 'Outsides flush', value: 0 },
      { id: 'out', words: 'Stands out', value: (figures) => -figures.scionBark! - 0.6 },
      { id: 'deep', words: 'Too far in', value: (figures) => figures.stockBark! + 1 },
    ],
  };
}

export function tiltPicks(): Field {
  return {
    id: 'tilt',
    name: 'the tilt',
    short: 'Lean of the wedge',
    unit: 'degrees',
    least: -10,
    most: 10,
    place: 'picked',
    typed: true,
    picks: [
      { id: 'straight', words: 'Straight', value: 0, usual: true },
      { id: 'touch', words: 'A touch', value: 1 },
      { id: 'much', words: 'Much', value: 3 },
    ],
  };
}

/** The wedge in its split that figures describe. */
export function wedgeUnionOf(figures: Figures): WedgeUnion {
  return {
    stockDiameter: figures.stockDiameter!,
    scionDiameter: figures.scionDiameter!,
    stockBark: figures.stockBark!,
    scionBark: figures.scionBark!,
    length: figures.length!,
    inset: figures.inset!,
    tilt: figures.tilt!,
    hollow: figures.hollow!,
    split: figures.split!,
  };
}
