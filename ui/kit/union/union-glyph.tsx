import { type GlyphOf, unionGlyph } from '@/core/drawing/union-glyph';
import { pathData } from './union-drawing';

interface UnionGlyphProps extends GlyphOf {
  title: string;
  size?: number;
}

/** A union at the size of a letter: thick where it touches, open where not, broken and lettered when fatal. */
export function UnionGlyph({ runs, fatal, title, size = 30 }: UnionGlyphProps) {
  const drawing = unionGlyph({ runs, fatal });
  return (
    <svg
      role="img"
      aria-label={title}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width={size}
      height={size * 1.2}
      className="drawing glyph inline-block shrink-0"
    >
      <title>{title}</title>
      {drawing.items.map((item, i) =>
        item.kind === 'path' ? (
          <path key={i} className={`r-${item.role}`} d={pathData(item.points, item.closed)} />
        ) : (
          <text key={i} x={item.at[0]} y={item.at[1]} textAnchor="middle" fontSize={5}>
            {item.text}
          </text>
        ),
      )}
    </svg>
  );
}
