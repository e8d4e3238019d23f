'use client';

import { COLOURS } from '@/core/drawing/colours';
import type { PhotoPoint } from '@/core/score/photos/photo-scale';
import type { Marking } from './use-marks';

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

/** The picture with its marks, which are dragged or moved by keys. */
export function MarkedPicture({ marking }: { marking: Marking }) {
  const { svg, photo, mayChange, onDown, held, letGo, move, at, setsScale, unitPx, tool, points, marks, onKey } =
    marking;
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
      onPointerUp={letGo}
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
