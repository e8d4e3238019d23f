/** @jsxImportSource preact */
import type { DisplayList } from '@/core/drawing/display-list';

/** Size of labels, px, whatever the scale of the drawing. */
const LABEL_PX = 12;

/** Paints a display list as SVG, on a page without script. */
export function Drawing({ drawing, width, title }: { drawing: DisplayList; width: number; title: string }) {
  const scale = width / drawing.width;
  return (
    <svg
      class="drawing"
      role="img"
      aria-label={title}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width={width}
      height={Math.round(drawing.height * scale)}
    >
      {drawing.items.map((item) =>
        item.kind === 'path' ? (
          <path
            class={`r-${item.role}${item.fill ? ' filled' : ''}`}
            d={`${item.points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${short(x)} ${short(y)}`).join('')}${item.closed ? 'Z' : ''}`}
          />
        ) : (
          <text x={item.at[0]} y={item.at[1]} text-anchor={item.anchor} font-size={LABEL_PX / scale}>
            {item.text}
          </text>
        ),
      )}
    </svg>
  );
}

/** A tenth of a millimetre is finer than any screen shows, and makes the page half as heavy. */
const short = (value: number): number => Math.round(value * 10) / 10;
