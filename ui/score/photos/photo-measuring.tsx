'use client';

import { COLOURS } from '@/core/drawing/colours';
import {
  useRef,
  useState,
  type Dispatch,
  type KeyboardEvent,
  type PointerEvent,
  type RefObject,
  type SetStateAction,
} from 'react';
import { angleAt, hollowDepth, lengthBetween } from '@/core/score/photos/photo-measures';
import { millimetresPerPixel, type PhotoPoint, type PhotoScale } from '@/core/score/photos/photo-scale';
import { parseDecimal } from '@/core/units/decimal';
import { formatLength, fromMillimetres, type LengthUnit } from '@/core/units/length';
import { AskFirst } from '@/ui/kit/form/ask-first';
import type { UnionPhoto } from './union-photo';

interface PhotoMeasuringProps {
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

type Tool = 'ruler' | 'coin' | 'length' | 'angle' | 'hollow';

const TOOLS: Record<Tool, { name: string; marks: string[] }> = {
  ruler: { name: 'Scale from a ruler', marks: ['one end of a stretch of the ruler', 'its other end'] },
  coin: {
    name: 'Scale from a coin',
    marks: ['a place on the rim', 'another, a third of the way round', 'a third one'],
  },
  length: { name: 'Length', marks: ['one end', 'the other end'] },
  angle: { name: 'Angle', marks: ['the corner', 'along one edge', 'along the other edge'] },
  hollow: { name: 'Hollow', marks: ['one end of the face', 'its other end', 'where it is deepest'] },
};

/** A picture that is measured on by marks: first its scale, then lengths, angles and hollows. */
export function PhotoMeasuring({
  photo,
  mayChange,
  unit,
  fields,
  busy,
  onScale,
  onRemove,
  onTake,
}: PhotoMeasuringProps) {
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
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 xl:grid-cols-[minmax(0,1fr)_17rem]">
      <MarkedPicture
        svg={svg}
        photo={photo}
        mayChange={mayChange}
        onDown={onDown}
        held={held}
        move={move}
        at={at}
        setsScale={setsScale}
        unitPx={unitPx}
        tool={tool}
        points={points}
        marks={marks}
        onKey={onKey}
      />
      <div className="flex flex-col gap-2">
        <p className="text-sm">
          {photo.scale ? (
            <>
              Scale set: {photo.scale.kind === 'coin' ? 'a coin' : 'a stretch of ruler'} of{' '}
              {formatLength(photo.scale.size, unit)}.
            </>
          ) : (
            <strong>No scale yet: nothing can be measured until a ruler or a coin sets it.</strong>
          )}
        </p>
        {mayChange && (
          <MarkPanel
            tool={tool}
            setTool={setTool}
            setPoints={setPoints}
            photo={photo}
            points={points}
            marks={marks}
            setsScale={setsScale}
            size={size}
            setSize={setSize}
            result={result}
            busy={busy}
            onScale={onScale}
            fitting={fitting}
            field={field}
            setField={setField}
            onTake={onTake}
            onRemove={onRemove}
          />
        )}
      </div>
    </div>
  );
}

function Marks({
  points,
  closed,
  faint = false,
  unitPx,
}: {
  points: PhotoPoint[];
  closed: boolean;
  faint?: boolean;
  unitPx: number;
}) {
  if (points.length < 2) return null;
  const path = `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}${closed && points.length === 3 ? 'Z' : ''}`;
  return (
    <g fill="none" opacity={faint ? 0.6 : 1}>
      <path d={path} stroke={COLOURS.white} strokeWidth={4 * unitPx} />
      <path
        d={path}
        stroke={faint ? COLOURS.ink : COLOURS.loud}
        strokeWidth={1.6 * unitPx}
        strokeDasharray={faint ? `${6 * unitPx} ${4 * unitPx}` : undefined}
      />
    </g>
  );
}

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
      const mm = parseDecimal(size);
      if (mm === null)
        return { ...nothing, problem: size.trim() === '' ? null : 'Enter the size in figures, such as 24 or 24,25.' };
      const next: PhotoScale = { kind: tool, points, size: mm };
      return { ...nothing, words: `${(1 / millimetresPerPixel(next)).toFixed(1)} pixels a mm`, scale: next };
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

interface MarkToolsProps {
  points: PhotoPoint[];
  marks: string[];
  setPoints: Dispatch<SetStateAction<PhotoPoint[]>>;
  photo: PhotoMeasuringProps['photo'];
  onRemove: PhotoMeasuringProps['onRemove'];
  busy: PhotoMeasuringProps['busy'];
}

/** Sets and takes back marks, and removes the picture. */
function MarkTools({ points, marks, setPoints, photo, onRemove, busy }: MarkToolsProps) {
  return (
    <div className="flex flex-wrap gap-2">
      {points.length < marks.length && (
        <button
          type="button"
          className="bench-button"
          onClick={() => setPoints([...points, { x: photo.width / 2, y: photo.height / 2 }])}
        >
          Mark in the middle
        </button>
      )}
      <button
        type="button"
        className="bench-button"
        disabled={points.length === 0}
        onClick={() => setPoints(points.slice(0, -1))}
      >
        Undo a mark
      </button>
      <AskFirst
        question="Remove this picture?"
        meaning="Its measures go with it, and it cannot be brought back."
        yes="Remove it"
        onYes={() => onRemove()}
        trigger={
          <button type="button" className="bench-button" disabled={busy}>
            Remove picture
          </button>
        }
      />
    </div>
  );
}

interface TakenFigureProps {
  fitting: { id: string; short: string; unit: 'mm' | 'degrees' }[];
  field: string;
  setField: Dispatch<SetStateAction<string>>;
  result: { words: string; value: number | null; scale: PhotoScale | null; problem: string | null };
  onTake: PhotoMeasuringProps['onTake'];
  setPoints: Dispatch<SetStateAction<PhotoPoint[]>>;
}

/** The figure a measure is taken for. */
function TakenFigure({ fitting, field, setField, result, onTake, setPoints }: TakenFigureProps) {
  return (
    <div className="flex flex-wrap gap-2">
      <select
        aria-label="Figure it is"
        className="bench-input"
        value={fitting.some(({ id }) => id === field) ? field : ''}
        onChange={(event) => setField(event.target.value)}
      >
        <option value="">which figure is it?</option>
        {fitting.map(({ id, short }) => (
          <option key={id} value={id}>
            {short}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="bench-button"
        disabled={result.value === null || !fitting.some(({ id }) => id === field)}
        onClick={() => {
          if (result.value !== null) onTake(field, result.value);
          setPoints([]);
        }}
      >
        Take this figure
      </button>
    </div>
  );
}

interface ToolChoiceProps {
  tool: Tool;
  setTool: Dispatch<SetStateAction<Tool>>;
  setPoints: Dispatch<SetStateAction<PhotoPoint[]>>;
  photo: PhotoMeasuringProps['photo'];
}

/** What the marks are for. */
function ToolChoice({ tool, setTool, setPoints, photo }: ToolChoiceProps) {
  return (
    <label className="block text-sm font-bold">
      What the marks are for
      <select
        className="bench-input font-normal"
        value={tool}
        onChange={(event) => {
          setTool(event.target.value as Tool);
          setPoints([]);
        }}
      >
        {(Object.keys(TOOLS) as Tool[]).map((name) => (
          <option key={name} value={name} disabled={!photo.scale && (name === 'length' || name === 'hollow')}>
            {TOOLS[name].name}
          </option>
        ))}
      </select>
    </label>
  );
}

interface MarkedPictureProps {
  svg: RefObject<SVGSVGElement | null>;
  photo: PhotoMeasuringProps['photo'];
  mayChange: PhotoMeasuringProps['mayChange'];
  onDown: (event: PointerEvent<SVGSVGElement>) => void;
  held: RefObject<number | null>;
  move: (i: number, to: PhotoPoint) => void;
  at: (event: PointerEvent) => PhotoPoint;
  setsScale: boolean;
  unitPx: number;
  tool: Tool;
  points: PhotoPoint[];
  marks: string[];
  onKey: (event: KeyboardEvent, i: number) => void;
}

/** The picture with its marks, which are dragged or moved by keys. */
function MarkedPicture({
  svg,
  photo,
  mayChange,
  onDown,
  held,
  move,
  at,
  setsScale,
  unitPx,
  tool,
  points,
  marks,
  onKey,
}: MarkedPictureProps) {
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${photo.width} ${photo.height}`}
      className="block h-auto max-h-[70vh] w-full touch-none border border-line bg-mist"
      role="group"
      aria-label="The picture; marks are set by pointing, and moved by the arrow keys"
      onPointerDown={mayChange ? onDown : undefined}
      onPointerMove={(event) => {
        if (held.current !== null) move(held.current, at(event));
      }}
      onPointerUp={() => {
        held.current = null;
      }}
    >
      <image href={`/api/photos/${photo.id}`} width={photo.width} height={photo.height} />
      {photo.scale && !setsScale && (
        <Marks points={photo.scale.points} closed={photo.scale.kind === 'coin'} faint unitPx={unitPx} />
      )}
      <Marks
        points={tool === 'angle' && points.length === 3 ? [points[1]!, points[0]!, points[2]!] : points}
        closed={tool === 'coin'}
        unitPx={unitPx}
      />
      {points.map((point, i) => (
        <g
          key={i}
          tabIndex={0}
          role="button"
          aria-label={`Mark ${i + 1}, ${marks[i]}; arrow keys move it`}
          onKeyDown={(event) => onKey(event, i)}
          className="cursor-move"
        >
          <circle cx={point.x} cy={point.y} r={14 * unitPx} fill="transparent" />
          <circle
            cx={point.x}
            cy={point.y}
            r={6 * unitPx}
            fill="none"
            stroke={COLOURS.white}
            strokeWidth={4 * unitPx}
          />
          <circle cx={point.x} cy={point.y} r={6 * unitPx} fill="none" stroke={COLOURS.loud} strokeWidth={2 * unitPx} />
        </g>
      ))}
    </svg>
  );
}

interface MarkPanelProps {
  tool: Tool;
  setTool: Dispatch<SetStateAction<Tool>>;
  setPoints: Dispatch<SetStateAction<PhotoPoint[]>>;
  photo: PhotoMeasuringProps['photo'];
  points: PhotoPoint[];
  marks: string[];
  setsScale: boolean;
  size: string;
  setSize: Dispatch<SetStateAction<string>>;
  result: { words: string; value: number | null; scale: PhotoScale | null; problem: string | null };
  busy: PhotoMeasuringProps['busy'];
  onScale: PhotoMeasuringProps['onScale'];
  fitting: { id: string; short: string; unit: 'mm' | 'degrees' }[];
  field: string;
  setField: Dispatch<SetStateAction<string>>;
  onTake: PhotoMeasuringProps['onTake'];
  onRemove: PhotoMeasuringProps['onRemove'];
}

/** What the marks are for, what they come to, and what is done with it. */
function MarkPanel({
  tool,
  setTool,
  setPoints,
  photo,
  points,
  marks,
  setsScale,
  size,
  setSize,
  result,
  busy,
  onScale,
  fitting,
  field,
  setField,
  onTake,
  onRemove,
}: MarkPanelProps) {
  return (
    <>
      <ToolChoice tool={tool} setTool={setTool} setPoints={setPoints} photo={photo} />
      <p className="text-sm" aria-live="polite">
        {points.length < marks.length
          ? `Mark ${marks[points.length]}.`
          : 'All marks are set; move them until they sit.'}
      </p>
      {setsScale && (
        <label className="block text-sm font-bold">
          {tool === 'coin' ? 'Diameter of the coin, mm' : 'Length of the stretch, mm'}
          <input
            className="bench-input font-normal"
            inputMode="decimal"
            value={size}
            onChange={(event) => setSize(event.target.value)}
            autoComplete="off"
          />
        </label>
      )}
      <p className="min-h-7 text-xl font-bold tabular-nums" data-testid="measured">
        {result.words}
      </p>
      {result.problem && <p className="text-sm font-bold text-loud">{result.problem}</p>}
      {setsScale ? (
        <button
          type="button"
          className="bench-button"
          data-weight="main"
          disabled={busy || !result.scale}
          onClick={() => result.scale && onScale(result.scale)}
        >
          Set the scale
        </button>
      ) : (
        <TakenFigure
          fitting={fitting}
          field={field}
          setField={setField}
          result={result}
          onTake={onTake}
          setPoints={setPoints}
        />
      )}
      <MarkTools points={points} marks={marks} setPoints={setPoints} photo={photo} onRemove={onRemove} busy={busy} />
    </>
  );
}
