import { COLOURS } from '@/core/drawing/colours';
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
  bark: { fill: COLOURS.skin, stroke: COLOURS['skin-edge'], width: 0.4 },
  wood: { fill: COLOURS.wood },
  'cut-bark': { fill: COLOURS.flap },
  hatch: { stroke: COLOURS['skin-edge'], width: 0.3 },
  kerf: { fill: COLOURS.ink },
  daylight: { fill: COLOURS.loud, stroke: COLOURS.ink, width: 0.4 },
  offcut: { fill: COLOURS.mist, stroke: COLOURS.muted, width: 0.4, dash: 2 },
  pith: { fill: COLOURS.pith },
  bud: { fill: COLOURS.bark, stroke: COLOURS['skin-edge'], width: 0.4 },
  'knife-cut': { stroke: COLOURS.ink, width: 0.7 },
  'cambium-stock': { stroke: COLOURS.ink, width: 0.5 },
  'cambium-scion': { stroke: COLOURS.ink, width: 0.5, dash: 2 },
  touch: { stroke: COLOURS.life, width: 2.2 },
  gap: { fill: COLOURS.white, stroke: COLOURS.ghost, width: 0.3 },
  ghost: { stroke: COLOURS.ghost, width: 0.5, dash: 1 },
  dimension: { stroke: COLOURS.ink, width: 0.4 },
  scale: { stroke: COLOURS.ink, width: 0.6 },
  level: { stroke: COLOURS.ghost, width: 0.4, dash: 3 },
  outline: { stroke: COLOURS['skin-edge'], width: 0.4 },
  green: { stroke: COLOURS.life, width: 0.7 },
  meet: { stroke: COLOURS.life, width: 1.2 },
  knife: { fill: COLOURS.ink, stroke: COLOURS.ink, width: 1.1, dash: 3 },
  flap: { fill: COLOURS.flap, stroke: COLOURS['skin-edge'], width: 0.5 },
  break: { stroke: COLOURS['skin-edge'], width: 0.6 },
  wrap: { fill: COLOURS.foil, stroke: COLOURS.muted, width: 0.4 },
  film: { stroke: COLOURS.muted, width: 0.5, dash: 1.2 },
  foil: { fill: COLOURS.foil, stroke: COLOURS.muted, width: 0.4 },
  seal: { fill: COLOURS.wax, stroke: COLOURS.ink, width: 0.4 },
  tag: { fill: COLOURS.white, stroke: COLOURS.ink, width: 0.6 },
  steel: { fill: COLOURS.steel, stroke: COLOURS.ink, width: 0.6 },
  callus: { fill: COLOURS.sheet, stroke: COLOURS['leaf-edge'], width: 0.5 },
  shoot: { stroke: COLOURS['leaf-edge'], width: 1.4 },
  leaf: { fill: COLOURS.leaf, stroke: COLOURS['leaf-edge'], width: 0.5 },
  withered: { fill: COLOURS.ghost, stroke: COLOURS.ink, width: 0.5 },
  wrinkle: { stroke: COLOURS.ink, width: 0.6 },
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
    else doc.stroke(ink.stroke ?? COLOURS.ink);
  }
  doc.undash();
}
