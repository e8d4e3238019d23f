import type { DisplayList, Role } from '@/core/drawing/display-list';
import { type Doc, MM, writeLine } from './document';

interface Ink {
  fill?: string;
  stroke?: string;
  /** Points. */
  width?: number;
  dash?: number;
}

/** How each role looks in print: told apart by weight and dash as well, so that a grey copy reads. */
const INK: Record<Role, Ink> = {
  bark: { fill: '#b79a78', stroke: '#5d452c', width: 0.4 },
  wood: { fill: '#f2e6cb' },
  pith: { fill: '#dcc69b' },
  bud: { fill: '#8a6a45', stroke: '#5d452c', width: 0.4 },
  'knife-cut': { stroke: '#16201a', width: 0.7 },
  'cambium-stock': { stroke: '#16201a', width: 0.5 },
  'cambium-scion': { stroke: '#16201a', width: 0.5, dash: 2 },
  touch: { stroke: '#0b7a3b', width: 2.2 },
  gap: { fill: '#ffffff', stroke: '#5a635d', width: 0.3 },
  ghost: { stroke: '#5a635d', width: 0.5, dash: 1 },
  dimension: { stroke: '#16201a', width: 0.4 },
  scale: { stroke: '#16201a', width: 0.6 },
  level: { stroke: '#5a635d', width: 0.4, dash: 3 },
  outline: { stroke: '#5d452c', width: 0.4 },
  green: { stroke: '#0b7a3b', width: 0.7 },
  meet: { stroke: '#0b7a3b', width: 1.2 },
  knife: { fill: '#16201a', stroke: '#16201a', width: 1.1, dash: 3 },
  flap: { fill: '#cdb48f', stroke: '#5d452c', width: 0.5 },
  break: { stroke: '#5d452c', width: 0.6 },
  wrap: { stroke: '#48534b', width: 0.4 },
  film: { stroke: '#48534b', width: 0.5, dash: 1.2 },
  foil: { fill: '#e9eeea', stroke: '#48534b', width: 0.4 },
  seal: { fill: '#3b3f3c', stroke: '#16201a', width: 0.4 },
  tag: { fill: '#ffffff', stroke: '#16201a', width: 0.6 },
  steel: { fill: '#9aa59d', stroke: '#16201a', width: 0.6 },
};

/** Paints a display list with its top left corner at (x, y) points, enlarged by `scale`. */
export function paintDrawing(doc: Doc, drawing: DisplayList, x: number, y: number, scale: number, words = 7): void {
  const unit = MM * scale;
  const bar = Math.max(
    ...drawing.items.flatMap((item) =>
      item.kind === 'path' && item.role === 'scale' ? item.points.map(([, py]) => py) : [],
    ),
    0,
  );
  for (const item of drawing.items) {
    if (item.kind === 'label') {
      // In a small drawing a line of words is taller than the room its scale bar leaves for it.
      const at =
        y + (item.role === 'scale' ? Math.max(item.at[1] * unit, bar * unit + words * 1.05) : item.at[1] * unit);
      writeLine(doc, item.text, x + item.at[0] * unit, at, { size: words, anchor: item.anchor });
      continue;
    }
    const ink = INK[item.role];
    item.points.forEach(([px, py], i) =>
      i === 0 ? doc.moveTo(x + px * unit, y + py * unit) : doc.lineTo(x + px * unit, y + py * unit),
    );
    if (item.closed) doc.closePath();
    if (ink.dash) doc.dash(ink.dash, { space: ink.dash });
    else doc.undash();
    doc
      .lineWidth(ink.width ?? 0.4)
      .lineCap('butt')
      .lineJoin('round');
    if (item.fill && ink.fill && ink.stroke) doc.fillAndStroke(ink.fill, ink.stroke);
    else if (item.fill && ink.fill) doc.fill(ink.fill);
    else doc.stroke(ink.stroke ?? '#16201a');
  }
  doc.undash();
}
