/** @jsxImportSource preact */
import type { DisplayList } from '@/core/drawing/display-list';

/** Size of labels as a share of the height of their drawing. */
const LABEL_SHARE = 0.045;

/**
 * Drawings that several grafts show, sent once: a page of many grafts of one method is no heavier than that of one. Each
 * carries its own class, since what is used elsewhere knows nothing of what it stands in.
 */
export function Drawings({ drawings }: { drawings: ReadonlyMap<string, DisplayList> }) {
  return (
    <svg class="drawings" width={0} height={0} aria-hidden="true" focusable="false">
      <defs>
        {[...drawings].map(([id, drawing]) => (
          <symbol id={id} class="drawing" viewBox={`0 0 ${short(drawing.width)} ${short(drawing.height)}`}>
            {drawing.items.map((item) =>
              item.kind === 'path' ? (
                <path
                  class={`r-${item.role}${item.fill ? ' filled' : ''}`}
                  d={`${item.points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${short(x)} ${short(y)}`).join('')}${item.closed ? 'Z' : ''}`}
                />
              ) : (
                <text
                  x={short(item.at[0])}
                  y={short(item.at[1])}
                  text-anchor={item.anchor}
                  font-size={short(LABEL_SHARE * drawing.height)}
                >
                  {item.text}
                </text>
              ),
            )}
          </symbol>
        ))}
      </defs>
    </svg>
  );
}

/** One of the drawings, in its place. */
export function DrawingShown({
  id,
  drawing,
  width,
  title,
}: {
  id: string;
  drawing: DisplayList;
  width: number;
  title: string;
}) {
  return (
    <svg role="img" aria-label={title} width={width} height={Math.round((drawing.height * width) / drawing.width)}>
      <use href={`#${id}`} />
    </svg>
  );
}

/** A tenth of a millimetre is finer than any screen shows, and makes the page half as heavy. */
const short = (value: number): number => Math.round(value * 10) / 10;
