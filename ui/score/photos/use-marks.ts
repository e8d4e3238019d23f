'use client';

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { angleAt, hollowDepth, lengthBetween } from '@/core/score/photos/photo-measures';
import { millimetresPerPixel, type PhotoPoint, type PhotoScale } from '@/core/score/photos/photo-scale';
import { parseLength } from '@/core/units/parse-length';
import { formatLength, fromMillimetres, type LengthUnit, toMillimetres } from '@/core/units/length';
import type { UnionPhoto } from './union-photo';

export interface PhotoMeasuringProps {
  photo: UnionPhoto;
  mayChange: boolean;
  unit: LengthUnit;
  fields: { id: string; short: string; unit: 'mm' | 'degrees' }[];
  busy: boolean;
  onScale: (scale: PhotoScale) => void;
  onRemove: () => void;
  /** A figure to take into the judgement: mm or degrees. */
  onTake: (field: string, value: number) => void;
}

export type Tool = 'ruler' | 'coin' | 'length' | 'angle' | 'hollow';

export const TOOLS: Record<Tool, { name: string; marks: string[] }> = {
  ruler: { name: 'Scale from a ruler', marks: ['one end of a stretch of the ruler', 'its other end'] },
  coin: {
    name: 'Scale from a coin',
    marks: ['a place on the rim', 'another, a third of the way round', 'a third one'],
  },
  length: { name: 'Length', marks: ['one end', 'the other end'] },
  angle: { name: 'Angle', marks: ['the corner', 'along one edge', 'along the other edge'] },
  hollow: { name: 'Hollow', marks: ['one end of the face', 'its other end', 'where it is deepest'] },
};

/** What the marks measure, in words; nothing while marks, size or scale are wanting. */
function measured(
  tool: Tool,
  points: PhotoPoint[],
  size: string,
  scale: PhotoScale | null,
  unit: LengthUnit,
): { words: string; value: number | null; scale: PhotoScale | null; problem: string | null } {
  const nothing = { words: '', value: null, scale: null, problem: null };
  if (points.length < TOOLS[tool].marks.length) return nothing;
  const [a, b, c] = points as [PhotoPoint, PhotoPoint, PhotoPoint];
  try {
    if (tool === 'angle') {
      const value = angleAt(a, b, c);
      return { ...nothing, words: `${value.toFixed(1)}°`, value };
    }
    if (tool === 'ruler' || tool === 'coin') {
      const typed = parseLength(size, unit);
      if (typed === null)
        return { ...nothing, problem: size.trim() === '' ? null : 'Enter the size in figures, such as 24 or 24,25.' };
      const next: PhotoScale = { kind: tool, points, size: typed };
      const pixels = toMillimetres(1, unit) / millimetresPerPixel(next);
      return { ...nothing, words: `${pixels.toFixed(unit === 'mm' ? 1 : 0)} pixels to the ${unit}`, scale: next };
    }
    if (!scale) return nothing;
    const perPixel = millimetresPerPixel(scale);
    const value = tool === 'length' ? lengthBetween(a, b, perPixel) : hollowDepth(a, b, c, perPixel);
    return {
      ...nothing,
      words:
        tool === 'length'
          ? formatLength(value, unit)
          : `${fromMillimetres(value, unit).toFixed(unit === 'mm' ? 2 : 3)} ${unit}`,
      value,
    };
  } catch (error) {
    if (error instanceof RangeError) return { ...nothing, problem: error.message };
    throw error;
  }
}

/** Marks on a picture, what they are for, and what they come to. */
export function useMarks({ photo, mayChange, unit, fields, busy, onScale, onRemove, onTake }: PhotoMeasuringProps) {
  const [tool, setTool] = useState<Tool>(photo.scale ? 'length' : 'ruler');
  const [points, setPoints] = useState<PhotoPoint[]>([]);
  const [size, setSize] = useState('');
  const [field, setField] = useState('');
  const held = useRef<number | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const setsScale = tool === 'ruler' || tool === 'coin';
  const { marks } = TOOLS[tool];
  const result = measured(tool, points, size, photo.scale, unit);
  const fitting = fields.filter((field) => field.unit === (tool === 'angle' ? 'degrees' : 'mm'));

  const at = (event: PointerEvent): PhotoPoint => {
    // By the drawing's own matrix: a tall picture does not fill the width of its box.
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return { x: Math.max(0, Math.min(photo.width, x)), y: Math.max(0, Math.min(photo.height, y)) };
  };
  const move = (i: number, to: PhotoPoint): void => setPoints((all) => all.map((point, k) => (k === i ? to : point)));
  const onDown = (event: PointerEvent<SVGSVGElement>): void => {
    const where = at(event);
    const reach = photo.width * 0.02;
    const near = points.findIndex((point) => Math.hypot(point.x - where.x, point.y - where.y) < reach);
    event.currentTarget.setPointerCapture(event.pointerId);
    if (near >= 0) held.current = near;
    else if (points.length < marks.length) {
      held.current = points.length;
      setPoints([...points, where]);
    }
  };
  const onKey = (event: KeyboardEvent, i: number): void => {
    const step = event.shiftKey ? 10 : 1;
    const by = (
      { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] } as Record<
        string,
        [number, number]
      >
    )[event.key];
    if (!by) return;
    event.preventDefault();
    move(i, {
      x: Math.max(0, Math.min(photo.width, points[i]!.x + by[0])),
      y: Math.max(0, Math.min(photo.height, points[i]!.y + by[1])),
    });
  };
  const unitPx = photo.width / 800;
  return {
    photo,
    mayChange,
    unit,
    busy,
    onScale,
    onRemove,
    onTake,
    tool,
    setTool,
    points,
    setPoints,
    size,
    setSize,
    field,
    setField,
    held,
    letGo: (): void => {
      held.current = null;
    },
    svg,
    setsScale,
    marks,
    result,
    fitting,
    at,
    move,
    onDown,
    onKey,
    unitPx,
  };
}

export type Marking = ReturnType<typeof useMarks>;
