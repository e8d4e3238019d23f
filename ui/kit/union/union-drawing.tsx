import { type DisplayList, fileMargin } from '@/core/drawing/display-list';

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

/** No screen shows more, and a page of many drawings is shorter. */
const tenths = (value: number): number => Math.round(value * 10) / 10;
const hundredths = (value: number): number => Math.round(value * 100) / 100;

/** Size of labels, px, whatever the scale of the drawing. */
const LABEL_PX = 13;

/** Paints a display list as SVG. Strokes keep their width and labels their size at any scale. */
export function UnionDrawing({ drawing, width, title, className = '', words = LABEL_PX }: UnionDrawingProps) {
  const scale = width / drawing.width;
  if (drawing.src !== undefined) return <FiledDrawing {...{ drawing, width, title, className, words }} />;
  return (
    <svg
      {...(title === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
      viewBox={`0 0 ${hundredths(drawing.width)} ${hundredths(drawing.height)}`}
      width={tenths(width)}
      height={tenths(drawing.height * scale)}
      fontSize={hundredths(words / scale)}
      textAnchor="middle"
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
          <text
            key={i}
            x={hundredths(item.at[0])}
            y={hundredths(item.at[1])}
            textAnchor={item.anchor === 'middle' ? undefined : item.anchor}
          >
            {item.text}
          </text>
        ),
      )}
    </svg>
  );
}

/** A drawing whose paths are in a file: its words, and what is wrong, are written over the picture. */
function FiledDrawing({ drawing, width, title, className, words }: Required<UnionDrawingProps>) {
  const { src, ...written } = drawing;
  const share = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(2)}%`;
  const margin = fileMargin(drawing.width);
  return (
    <div
      role="img"
      aria-label={title}
      className={`relative ${className}`}
      style={{ width: tenths(width), aspectRatio: `${hundredths(drawing.width)} / ${hundredths(drawing.height)}` }}
    >
      <img
        src={src}
        alt=""
        // A page of a method has a hundred: those below are fetched as one comes to them.
        loading="lazy"
        className="drawing-file"
        style={{
          left: share(-margin, drawing.width),
          top: share(-margin, drawing.height),
          width: share(drawing.width + 2 * margin, drawing.width),
          height: share(drawing.height + 2 * margin, drawing.height),
        }}
      />
      <div className="absolute inset-0">
        <UnionDrawing drawing={written} width={width} title="" className="h-auto w-full" words={words} />
      </div>
    </div>
  );
}

export function pathData(points: readonly (readonly [number, number])[], closed: boolean): string {
  const steps = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');
  return closed ? `${steps}Z` : steps;
}
