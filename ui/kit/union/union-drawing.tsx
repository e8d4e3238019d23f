import type { DisplayList } from '@/core/drawing/display-list';

interface UnionDrawingProps {
  drawing: DisplayList;
  /** Width on the page, px; heights follow. */
  width: number;
  /** What it shows, in words. */
  title: string;
  className?: string;
  /** Size of its words, px, whatever the scale. */
  words?: number;
}

/** Size of labels, px, whatever the scale of the drawing. */
const LABEL_PX = 13;

/** Paints a display list as SVG. Strokes keep their width and labels their size at any scale. */
export function UnionDrawing({ drawing, width, title, className = '', words = LABEL_PX }: UnionDrawingProps) {
  const scale = width / drawing.width;
  return (
    <svg
      role="img"
      aria-label={title}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width={width}
      height={drawing.height * scale}
      className={`drawing block overflow-visible ${className}`}
    >
      {drawing.items.map((item, i) =>
        item.kind === 'path' ? (
          <path
            key={i}
            className={`r-${item.role}${item.fill ? ' filled' : ''}`}
            d={pathData(item.points, item.closed)}
          />
        ) : (
          <text key={i} x={item.at[0]} y={item.at[1]} textAnchor={item.anchor} fontSize={words / scale}>
            {item.text}
          </text>
        ),
      )}
    </svg>
  );
}

export function pathData(points: readonly (readonly [number, number])[], closed: boolean): string {
  const steps = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');
  return closed ? `${steps}Z` : steps;
}
