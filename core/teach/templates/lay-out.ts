import { type Paper, SHEETS } from '@/core/units/paper';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { ROUNDING } from '@/core/units/tolerance';
import type { Point } from '../../drawing/display-list';
import type { Template, TemplateStroke } from '../../methods/template';

/** Printers leave this much at the edges, mm. */
const MARGIN = 12;
/** The head of each sheet: its title and the check line. */
const HEAD = 30;
const GAP = 10;
/** Tiles of one template share this much, mm, to be glued. */
export const OVERLAP = 10;
/** The line to measure after printing: its length in mm, and how it is called in the reader's unit. */
export const checkLine = (unit: LengthUnit): { length: number; words: string } =>
  unit === 'in' ? { length: 50.8, words: '2 in' } : { length: 50, words: '50 mm' };

export interface Placed {
  name: string;
  use: string;
  /** Part of how many, of a template that is wider or taller than a sheet. */
  part: { nth: number; count: number } | null;
  /** Place of its top left corner on the sheet, mm, and its size there. */
  x: number;
  y: number;
  width: number;
  height: number;
  strokes: TemplateStroke[];
  words: { at: Point; text: string }[];
}

export interface LaidOut {
  paper: Paper;
  sheets: Placed[][];
  /** Said when a template had to be tiled. */
  messages: string[];
}

/**
 * Templates laid out on sheets in true millimetres; what is too large for one is cut into tiles that overlap.
 * @param unit in which what it says is written.
 */
export function layOut(templates: Template[], paper: Paper, unit: LengthUnit): LaidOut {
  const size = (mm: number): string => formatLength(unit === 'mm' ? Math.round(mm) : mm, unit);
  const { width, height } = SHEETS[paper];
  const room = { width: width - 2 * MARGIN, height: height - 2 * MARGIN - HEAD - 12 };
  const messages: string[] = [];
  const pieces = templates.flatMap((template) => {
    const tiles = tilesOf(template, room);
    if (tiles.length > 1) {
      messages.push(
        `${template.name} is ${size(template.width)} by ${size(template.height)}, larger than ${paper} can hold (${size(room.width)} by ${size(room.height)}). It is printed in ${tiles.length} parts that overlap by ${size(OVERLAP)}: glue them on the dashed lines.`,
      );
    }
    return tiles;
  });
  const sheets: Placed[][] = [[]];
  let [x, y, row] = [MARGIN, MARGIN + HEAD, 0];
  for (const piece of pieces) {
    if (x > MARGIN && x + piece.width > width - MARGIN) [x, y, row] = [MARGIN, y + row + GAP, 0];
    // Words of use stand below each piece.
    const tall = piece.height + 12;
    if (y > MARGIN + HEAD && y + tall > height - MARGIN) {
      sheets.push([]);
      [x, y, row] = [MARGIN, MARGIN + HEAD, 0];
    }
    sheets.at(-1)!.push({ ...piece, x, y });
    x += Math.max(piece.width, 46) + GAP;
    row = Math.max(row, tall);
  }
  return { paper, sheets, messages };
}

/** A template in one piece where it fits, else in tiles that share OVERLAP. */
function tilesOf(template: Template, room: { width: number; height: number }): Omit<Placed, 'x' | 'y'>[] {
  const { name, use, strokes, words, width, height } = template;
  if (width <= room.width && height <= room.height) return [{ name, use, part: null, width, height, strokes, words }];
  const across = spans(width, room.width);
  const down = spans(height, room.height);
  const count = across.length * down.length;
  return down.flatMap(([top, bottom], j) =>
    across.map(([left, right], i) => ({
      name,
      use,
      part: { nth: j * across.length + i + 1, count },
      width: right - left,
      height: bottom - top,
      strokes: [
        ...strokes.flatMap((stroke) => clipped(stroke, left, right, top, bottom)),
        ...(i > 0
          ? [
              {
                kind: 'fold' as const,
                points: [
                  [OVERLAP, 0],
                  [OVERLAP, bottom - top],
                ] as Point[],
              },
            ]
          : []),
        ...(j > 0
          ? [
              {
                kind: 'fold' as const,
                points: [
                  [0, OVERLAP],
                  [right - left, OVERLAP],
                ] as Point[],
              },
            ]
          : []),
      ],
      words: words
        .filter(({ at }) => at[0] >= left && at[0] < right && at[1] >= top && at[1] < bottom)
        .map(({ at, text }) => ({ at: [at[0] - left, at[1] - top] as Point, text })),
    })),
  );
}

function spans(length: number, room: number): [number, number][] {
  const all: [number, number][] = [];
  for (let from = 0; from < length - ROUNDING && (all.length === 0 || all.at(-1)![1] < length); from += room - OVERLAP)
    all.push([from, Math.min(length, from + room)]);
  return all;
}

/** The parts of a stroke inside a tile, moved to its corner. */
function clipped(
  { kind, points }: TemplateStroke,
  left: number,
  right: number,
  top: number,
  bottom: number,
): TemplateStroke[] {
  const runs: Point[][] = [];
  let open: Point[] = [];
  for (let i = 1; i < points.length; i++) {
    const part = segmentWithin(points[i - 1]!, points[i]!, left, right, top, bottom);
    if (!part) {
      if (open.length > 1) runs.push(open);
      open = [];
      continue;
    }
    const [from, to] = part;
    const last = open.at(-1);
    if (last && Math.hypot(last[0] - from[0], last[1] - from[1]) < ROUNDING) open.push(to);
    else {
      if (open.length > 1) runs.push(open);
      open = [from, to];
    }
  }
  if (open.length > 1) runs.push(open);
  return runs.map((run) => ({ kind, points: run.map(([x, y]): Point => [x - left, y - top]) }));
}

/** The part of a segment inside a box, by Liang and Barsky; null when none is. */
function segmentWithin(
  from: Point,
  to: Point,
  left: number,
  right: number,
  top: number,
  bottom: number,
): [Point, Point] | null {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  let [enter, leave] = [0, 1];
  for (const [p, q] of [
    [-dx, from[0] - left],
    [dx, right - from[0]],
    [-dy, from[1] - top],
    [dy, bottom - from[1]],
  ] as const) {
    if (p === 0) {
      if (q < 0) return null;
    } else if (p < 0) enter = Math.max(enter, q / p);
    else leave = Math.min(leave, q / p);
  }
  if (enter > leave) return null;
  const at = (share: number): Point => [from[0] + dx * share, from[1] + dy * share];
  return [at(enter), at(leave)];
}
