import { ROUNDING } from '@/core/units/tolerance';
import { bestOutline } from '../../contact/best-outline';
import { cambiumLength, outsideLength, type CutFace } from '../../contact/cut-face';
import { outlineGrade } from '../../contact/outline-grade';
import { outlineUnionContact, type OutlineUnion } from '../../contact/outline-union';
import { placementOffset } from '../../contact/placement';
import { crossSection } from '../../drawing/cross-section';
import type { DisplayList } from '../../drawing/display-list';
import { faceView } from '../../drawing/face-view';
import type { Thresholds } from '../thresholds';
import type { Field } from '../field';
import type { Figures, Measures } from '../measures';
import { measured, prose } from '../../units/prose';
import type { Assessment, Correction, Wood } from '../method';
import * as field from './fields';
import { flatnessGrade, lengthGrade } from './measured-grades';
import { towards } from './towards';

/** Moves smaller than this, mm, are within what a hand can hold and are not worth saying. */
const LEAST_MOVE = 0.2;
/** Contact that may be given up for a place the hand can find and hold. */
const ROBUST = 0.1;

/** What is asked of a cut that runs right through both shoots. */
export const THROUGH_FIELDS: Field[] = [
  field.diameter('stock'),
  field.diameter('scion'),
  field.length('stockLength', "the stock's cut", 'Stock cut'),
  field.length('scionLength', "the scion's cut", 'Scion cut'),
  field.bark('stock'),
  field.bark('scion'),
  field.placement(),
  field.hollow('stockHollow', "the stock's hollow", 'Hollow of the stock'),
  field.hollow('scionHollow', "the scion's hollow", 'Hollow of the scion'),
  field.LIFT,
  field.TURN,
];

/** Depth of a piece's slice, mm; of a whip's stock, a cut that goes past the middle runs right through and is none. */
function sliceDepth(figures: Figures, piece: 'stock' | 'scion'): number | undefined {
  const depth = figures[`${piece}Depth`];
  if (depth === undefined) return undefined;
  // Chip and veneer have a slice on both pieces, and one past its middle is refused; a whip has none on its scion.
  const mayRunThrough = figures.scionDepth === undefined;
  return mayRunThrough && depth > figures[`${piece}Diameter`]! / 2 + ROUNDING ? undefined : depth;
}

/** The pair of wood that figures are of. */
export function pairOf(figures: Figures): Wood {
  return {
    stock: figures.stockDiameter!,
    scion: figures.scionDiameter!,
    stockBark: figures.stockBark!,
    scionBark: figures.scionBark!,
  };
}

/** The union of two cut faces that figures describe; slices when depths are among them. */
export function outlineOf(figures: Figures): OutlineUnion {
  const face = (piece: 'stock' | 'scion'): CutFace => {
    const bark = figures[`${piece}Bark`]!;
    const depth = sliceDepth(figures, piece);
    const measured = figures[`${piece}Length`]!;
    return {
      diameter: figures[`${piece}Diameter`]!,
      bark,
      hollow: figures[`${piece}Hollow`]!,
      // A slice is measured on the bark; the model wants the length of its green line.
      ...(depth === undefined
        ? { length: measured }
        : { depth, length: depth > bark ? cambiumLength(measured, bark, depth) : measured }),
    };
  };
  return {
    stock: face('stock'),
    scion: face('scion'),
    e: figures.placement!,
    z: figures.lift ?? 0,
    phi: figures.turn ?? 0,
  };
}

/** Reads a union of two cut faces: contact, measured points, the drawings that show it. */
export function assessOutline(
  figures: Figures,
  range: { from: number; to: number },
  side: (union: OutlineUnion, options: Parameters<Assessment['side']>[0]) => DisplayList,
  thresholds: Thresholds,
  crossingSuffices = false,
): Assessment {
  const union = outlineOf(figures);
  const contact = outlineUnionContact(union);
  const graded = outlineGrade(union, contact, { matched: thresholds.matched, crossingSuffices });
  const through = union.stock.depth === undefined;
  return {
    contact,
    contactGrade: graded,
    grades: {
      cambium: graded.grade,
      flatness: flatnessGrade(union.stock.hollow + union.scion.hollow, thresholds),
      'cut-length': lengthGrade([figures.stockLength!, figures.scionLength!], range, thresholds),
    },
    lines: ({ unit, ghost, level }) => faceView(union, contact, { unit, ghost, level }),
    side: (options) => side(union, options),
    section: through ? (level, unit) => crossSection(union, contact, level, unit) : null,
    reach: Math.max(1, Math.round(union.stock.length / 2 - 1)),
  };
}

/** Contact the pair could reach: by the search, which goes in steps, or as it lies already. */
export function bestOutlineContact(figures: Figures): number {
  const union = outlineOf(figures);
  return Math.max(bestOutline(union).contact, outlineUnionContact(union).contact);
}

/**
 * Where to set the scion: with the lines met on the side it leans to. The offset of the very most
 * contact often lies where both lines are just within reach, which a hand cannot hold; it is
 * advised only when it is worth clearly more.
 */
function advisedOffset(union: OutlineUnion): number {
  const best = bestOutline(union);
  const lines =
    union.stock.depth === undefined
      ? placementOffset(union.e < 0 ? 'left-lines' : 'right-lines', union.stock, union.scion)
      : best.union.e;
  return best.contact - outlineUnionContact({ ...best.union, e: lines }).contact > ROBUST ? best.union.e : lines;
}

/** Offsets worth trying, the shortest push first: the advised one, and lines met on either side. */
function offsetsToTry(union: OutlineUnion): number[] {
  const met =
    union.stock.depth === undefined
      ? (['left-lines', 'right-lines'] as const).map((pick) => placementOffset(pick, union.stock, union.scion))
      : [];
  const all = [advisedOffset(union), ...met].filter((offset) => Math.abs(offset - union.e) >= LEAST_MOVE);
  return all
    .filter((offset, i) => all.findIndex((other) => Math.abs(other - offset) < LEAST_MOVE) === i)
    .sort((a, b) => Math.abs(a - union.e) - Math.abs(b - union.e));
}

/** Lengths of cut that a method takes, and the one its school would make on this wood, mm. */
export interface CutAim {
  range: { from: number; to: number };
  aim?: number;
}

/** Single changes that could raise the contact or a measured point of two cut faces. */
export function outlineCorrections(
  measures: Measures,
  figures: Figures,
  piece: string,
  cut: CutAim,
  grades: Assessment['grades'],
): Correction[] {
  const union = outlineOf(figures);
  const corrections: Correction[] = [];
  for (const target of offsetsToTry(union)) {
    const sideways = target - union.e;
    corrections.push({
      moves: true,
      point: 'cambium',
      ghost: target,
      say: prose`Move the ${piece} ${measured(Math.abs(sideways))} to the ${sideways < 0 ? 'left' : 'right'}, until the lines under the bark meet there.`,
      measures: { ...measures, placement: { value: target, origin: 'measured' } },
    });
  }
  corrections.push(
    ...towards(measures, figures, [
      {
        point: 'cambium',
        field: 'lift',
        moves: true,
        target: 0,
        least: LEAST_MOVE,
        say: (by) =>
          prose`Slide the ${piece} ${measured(Math.abs(by))} ${by < 0 ? 'down' : 'up'}, until the ends are level.`,
      },
      {
        point: 'cambium',
        field: 'turn',
        moves: true,
        target: 0,
        least: 1,
        say: (by) =>
          `Turn the ${piece} ${Math.round(Math.abs(by))}° ${by < 0 ? 'clockwise' : 'anticlockwise'}, so that it stands straight.`,
      },
      {
        point: 'cut-length',
        field: 'scionLength',
        target: matchedLength(union, figures),
        least: 1,
        say: (by) =>
          prose`Cut the ${piece} ${measured(Math.abs(by))} ${by < 0 ? 'shorter' : 'longer'}, to the stock's length.`,
      },
      {
        point: 'flatness',
        field: 'stockHollow',
        target: 0,
        least: ROUNDING,
        say: (by) => prose`Recut the stock in one straight pull: its face is ${measured(-by)} hollow in the middle.`,
      },
      {
        point: 'flatness',
        field: 'scionHollow',
        target: 0,
        least: ROUNDING,
        say: (by) => prose`Recut the ${piece} in one straight pull: its face is ${measured(-by)} hollow in the middle.`,
      },
    ]),
  );
  if (grades['cut-length'] !== 'good') corrections.push(lengthCorrection(measures, figures, cut));
  if (union.stock.hollow > 0 && union.scion.hollow > 0) {
    corrections.push({
      point: 'flatness',
      say: prose`Recut both faces in one straight pull: together they stand ${measured(union.stock.hollow + union.scion.hollow)} open.`,
      measures: {
        ...measures,
        stockHollow: { value: 0, origin: 'measured' },
        scionHollow: { value: 0, origin: 'measured' },
      },
    });
  }
  return corrections;
}

/** Both cuts as long as the school makes them, within what the method takes. */
function lengthCorrection(measures: Measures, figures: Figures, { range, aim }: CutAim): Correction {
  const mean = (figures.stockLength! + figures.scionLength!) / 2;
  const target = Math.round(Math.max(range.from, Math.min(range.to, aim ?? mean)));
  const value = { value: target, origin: 'measured' as const };
  return {
    point: 'cut-length',
    say: prose`${target > mean ? 'Lay the blade flatter' : 'Stand the blade steeper'}: make both cuts about ${measured(target)} long.`,
    measures: { ...measures, stockLength: value, scionLength: value },
  };
}

/** Length the scion's cut would need on the outside for its green line to be as long as the stock's. */
function matchedLength({ stock, scion }: OutlineUnion, figures: Figures): number {
  if (scion.depth === undefined) return figures.stockLength!;
  return Math.round(outsideLength(stock.length, scion.bark, scion.depth) * 10) / 10;
}
