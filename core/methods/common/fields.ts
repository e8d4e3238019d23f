import { assumedBark } from '../../contact/cut-face';
import { HOLLOW_PICKS } from '../../contact/hollow';
import { placementOffset, type PlacementPick } from '../../contact/placement';
import type { Field, FieldPick } from '../field';
import type { Figures } from '../measures';

/* Fields that several methods ask. Lengths mm. */

type PieceName = 'stock' | 'scion';
const SHORT: Record<PieceName, string> = { stock: 'Stock', scion: 'Scion' };

/** Caliper; kept from the seat's last union, since one bundle serves a student for a while. */
export function diameter(piece: PieceName, short = `${SHORT[piece]} Ø`, name = `the ${piece}'s diameter`): Field {
  return { id: `${piece}Diameter`, name, short, unit: 'mm', least: 1, most: 100, place: 'first', kept: true };
}

export function bark(piece: PieceName): Field {
  return {
    id: `${piece}Bark`,
    name: `the ${piece}'s bark`,
    short: `${SHORT[piece]} bark`,
    unit: 'mm',
    least: 0,
    most: 30,
    place: 'further',
    assumed: (figures) => assumedBark(figures[`${piece}Diameter`] ?? 0),
  };
}

/** A length that has to be entered. */
export function length(id: string, name: string, short: string, most = 200): Field {
  return { id, name, short, unit: 'mm', least: 1, most, place: 'first' };
}

/** A figure looked up only when it differs from the usual. */
export function further(
  id: string,
  name: string,
  short: string,
  assumed: Field['assumed'],
  range: { least?: number; most?: number; unit?: Field['unit'] } = {},
): Field {
  return {
    id,
    name,
    short,
    unit: range.unit ?? 'mm',
    least: range.least ?? 0,
    most: range.most ?? 200,
    place: 'further',
    assumed: assumed!,
  };
}

/** A hollow, as one sees it against the light, or in figures. */
export function hollow(id: string, name: string, short: string): Field {
  const words: Record<keyof typeof HOLLOW_PICKS, string> = {
    none: 'None',
    hairline: 'Hairline',
    hollow: 'Hollow',
    deep: 'Deep',
  };
  const picks = Object.entries(HOLLOW_PICKS).map(([pick, value]): FieldPick => ({
    id: pick,
    words: words[pick as keyof typeof HOLLOW_PICKS],
    value,
    ...(pick === 'none' ? { usual: true } : {}),
  }));
  return { id, name, short, unit: 'mm', least: 0, most: 20, place: 'picked', picks, typed: true };
}

/** Sideways place of one cut face on another, in words or in mm to the right. */
export function placement(): Field {
  const at =
    (pick: PlacementPick) =>
    (figures: Figures): number =>
      placementOffset(
        pick,
        { diameter: figures.stockDiameter!, bark: figures.stockBark! },
        { diameter: figures.scionDiameter!, bark: figures.scionBark! },
      );
  const pick = (id: PlacementPick, words: string): FieldPick => ({
    id,
    words,
    value: at(id),
    ...(id === 'middle' ? { usual: true } : {}),
  });
  return {
    id: 'placement',
    name: 'the offset',
    short: 'How the scion is set',
    unit: 'mm',
    least: -100,
    most: 100,
    place: 'picked',
    typed: true,
    keepsPick: true,
    lies: 'aside',
    picks: [
      pick('left-lines', 'Left, lines met'),
      pick('middle', 'Middle'),
      pick('right-lines', 'Right, lines met'),
      pick('left-flush', 'Left, outsides flush'),
      pick('right-flush', 'Right, outsides flush'),
    ],
  };
}

export const LIFT = further('lift', 'the lift', 'Lift, up', 0, { least: -200 });
export const TURN = further('turn', 'the turn', 'Turn, °', 0, { least: -45, most: 45, unit: 'degrees' });
