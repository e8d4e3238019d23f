import { TOLERANCE } from '@/core/units/tolerance';
import type { LaidFace, LaidFaceContact } from '../contact/laid-face-contact';
import { woodRadius } from '../contact/laid-face-contact';
import { formatLength, type LengthUnit } from '../units/length';
import { area, ellipseArc, line, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

/**
 * A face on bared wood, seen through the scion: the two edges of its green line, the slot's flanks
 * beside them, what touches thick, the window above the rim.
 */
export function laidFaceView(
  face: LaidFace & { slotWidth?: number },
  result: LaidFaceContact,
  unit: LengthUnit,
): DisplayList {
  const below = face.length - face.window;
  const { halfWidth, flankGaps } = result;
  const slot = face.slotWidth ?? 2 * halfWidth + 3;
  const shown = Math.max(face.scionDiameter, slot) / 2 + 5;
  const margin = 14;
  const top = 7;
  const width = 2 * (shown + margin);
  const height = top + face.length + 16;
  const rim = top + face.window;
  const middle = width / 2;
  const at = (across: number, fromFoot: number): Point => [middle + across, rim + below - fromFoot];
  const box = (half: number, from: number, to: number): Point[] => [
    at(-half, from),
    at(half, from),
    at(half, to),
    at(-half, to),
  ];
  const items: (Path | Label)[] = [area('bark', box(shown, -5, below)), area('wood', box(slot / 2, 0, below))];
  items.push({ ...area('outline', box(face.scionDiameter / 2, 0, face.length)), fill: false });
  const shift = flankGaps ? (flankGaps.left - flankGaps.right) / 2 : 0;
  for (const [side, name] of [
    [-1, 'left'],
    [1, 'right'],
  ] as const) {
    const x = side * halfWidth + shift;
    items.push(line('cambium-scion', at(x, 0), at(x, face.length)));
    const edges = result.runs.filter((run) => run.line === `edge-${name}`);
    for (const { from, to } of edges) items.push(line('touch', at(x, from), at(x, to)));
    for (let y = 0.7; y < below; y += 1.6)
      if (!edges.some(({ from, to }) => y >= from && y <= to))
        items.push(line('gap', at(x - 0.8, y), at(x + 0.8, y + 0.8)));
    const flank = result.runs.find((run) => run.line === `flank-${name}`);
    if (flankGaps) items.push(line('cambium-stock', at((side * slot) / 2, 0), at((side * slot) / 2, below)));
    if (flank) items.push(line('touch', at((side * slot) / 2, flank.from), at((side * slot) / 2, flank.to)));
    const sum = edges.reduce((total, run) => total + run.length, 0) + (flank?.length ?? 0);
    items.push({
      kind: 'label',
      role: 'dimension',
      at: [middle + side * (shown + 1.5), rim + below / 2],
      anchor: side < 0 ? 'end' : 'start',
      text: sum < 0.05 ? 'no touch' : formatLength(sum, unit),
    });
  }
  items.push(line('level', at(-shown - 2, below), at(shown + 2, below)));
  items.push({ kind: 'label', role: 'name', at: [middle - shown - 2.5, rim + 0.8], anchor: 'end', text: 'rim' });
  items.push(...scaleBar([middle - 5, height - 4], unit));
  return { width, height, items, anchors: [] };
}

/** The same cut across: the round of the wood, the flat of the face, and how far its edges stand off. */
export function laidFaceSection(face: LaidFace, result: LaidFaceContact, unit: LengthUnit): DisplayList {
  const radius = woodRadius(face);
  const { halfWidth, standOff } = result;
  const half = Math.min(radius, face.scionDiameter * 0.9);
  const width = 2 * half + 16;
  const middle = width / 2;
  const crown = face.scionDiameter / 2 + face.scionDiameter - face.depth + 2;
  const height = crown + half * 0.9 + 12;
  const span = Math.asin(Math.min(1, half / radius));
  const wood = ellipseArc([middle, crown + radius], radius, radius, {
    from: Math.PI / 2 - span,
    to: Math.PI / 2 + span,
  });
  const centre: Point = [middle, crown - (face.scionDiameter / 2 - face.depth)];
  const scion = (r: number): Point[] => ellipseArc(centre, r, r).filter(([, y]) => y <= crown + TOLERANCE);
  const touches = result.runs.some(({ line: name }) => name.startsWith('edge'));
  const items: (Path | Label)[] = [
    area('wood', [...wood, [middle - half, crown + half * 0.9], [middle + half, crown + half * 0.9]]),
    line('green', ...wood),
    area('bark', scion(face.scionDiameter / 2)),
    area('wood', scion(face.scionDiameter / 2 - face.scionBark)),
    line('knife-cut', [middle - face.scionDiameter / 2, crown], [middle + face.scionDiameter / 2, crown]),
    ...[-1, 1].map((side) =>
      line(
        touches ? 'touch' : 'gap',
        [middle + side * halfWidth, crown],
        [middle + side * halfWidth, crown + Math.max(0.3, standOff)],
      ),
    ),
    {
      kind: 'label',
      role: 'dimension',
      at: [middle, height - 5.2],
      anchor: 'middle',
      text: `stands off ${formatLength(standOff, unit)}`,
    },
    ...scaleBar([middle - 5, height - 3.4], unit),
  ];
  return { width, height: height + 2, items, anchors: [] };
}
