import type { InlayFace, LaidFace } from '../../contact/laid-face-contact';
import { mm, prose } from '../../units/prose';
import type { Field } from '../field';
import type { Figures } from '../measures';
import * as field from './fields';

/** Fields of a face laid on wood: calipers, the face's length, and what is assumed of it. */
export const LAID_FIELDS: Field[] = [
  field.diameter('stock'),
  field.diameter('scion'),
  field.length('length', 'the length of the face', 'Face'),
  field.bark('stock'),
  field.bark('scion'),
  field.further('depth', 'the depth of the face', 'Face depth', (figures) => (figures.scionDiameter ?? 0) / 2),
  {
    id: 'window',
    name: 'the window',
    short: 'Window above the rim',
    unit: 'mm',
    least: 0,
    most: 100,
    place: 'picked',
    typed: true,
    picks: [
      { id: 'right', words: prose`About ${mm(9)}`, value: 9.5, usual: true },
      { id: 'none', words: 'None', value: 0 },
      { id: 'long', words: prose`About ${mm(20)}`, value: 20 },
    ],
  },
  field.hollow('hollow', 'the hollow of the face', 'Hollow of the face'),
  field.further('flatRadius', 'the radius of the flat spot', 'Flat spot radius', 0, { most: 2000 }),
];

export function laidFaceOf(figures: Figures): LaidFace {
  return {
    stockDiameter: figures.stockDiameter!,
    stockBark: figures.stockBark!,
    flatRadius: figures.flatRadius!,
    scionDiameter: figures.scionDiameter!,
    scionBark: figures.scionBark!,
    depth: figures.depth!,
    length: figures.length!,
    window: figures.window!,
    hollow: figures.hollow!,
  };
}

/** Where in its slot an inlay lies, by the figure that stands for it: -1 left, 0 centred, 1 right. */
export function inlayFaceOf(figures: Figures): InlayFace {
  const side = figures.side! < 0 ? 'left' : figures.side! > 0 ? 'right' : 'centre';
  return { ...laidFaceOf(figures), slotWidth: figures.slotWidth!, side, raked: figures.raked! > 0 };
}
