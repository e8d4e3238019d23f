import { landOf, pointOf, TREE_ACROSS } from '@/core/aftercare/places/bed-layout';
import { COLOURS } from '@/core/drawing/colours';
import { ribbonById } from '@/core/plan/wood/ribbons';
import type { Drag } from './land-drag';
import type { Scene, SceneBed, ScenePlant, Target, View } from './land-scene';

type Pen = CanvasRenderingContext2D;

/** What is drawn besides the land itself. */
export interface Marks {
  selected: ReadonlySet<string>;
  cursor: Target | null;
  /** The place that is moved about. */
  chosenPlace: string | null;
  font: string;
  /** Whether lengths are said in feet. */
  feet: boolean;
}

/** Ribbons whose pattern is drawn dark. */
const LIGHT_RIBBONS: ReadonlySet<string> = new Set(['chalk', 'barley']);

/** Pixels between plants from which on their pattern, and their code, can be read. */
const PATTERNED = 13;
const CODED = 52;

/** Draws beds, trees and plants to scale: plants as squares of their flagging ribbon, dead ones crossed. */
export function drawLand(
  pen: Pen,
  scene: Scene,
  view: View,
  size: { width: number; height: number },
  marks: Marks,
): void {
  pen.fillStyle = COLOURS.paper;
  pen.fillRect(0, 0, size.width, size.height);
  for (const bed of scene.beds) drawBed(pen, bed, view, size, marks);
  for (const tree of scene.trees) drawTree(pen, tree, view, marks);
  drawPlants(pen, scene, view, size, marks);
  if (marks.cursor) drawCursor(pen, scene, view, marks.cursor);
  drawScaleBar(pen, view, size, marks);
}

const px = (view: View, x: number): number => (x - view.x) * view.scale;
const py = (view: View, y: number): number => (y - view.y) * view.scale;

function drawBed(pen: Pen, bed: SceneBed, view: View, size: { width: number; height: number }, marks: Marks): void {
  const land = landOf(bed);
  const [x, y, w, h] = [px(view, land.x), py(view, land.y), land.width * view.scale, land.depth * view.scale];
  pen.fillStyle = COLOURS.board;
  pen.fillRect(x, y, w, h);
  pen.lineWidth = bed.placeId === marks.chosenPlace ? 4 : 1.5;
  pen.strokeStyle = bed.placeId === marks.chosenPlace ? COLOURS.ink : COLOURS.bark;
  pen.strokeRect(x, y, w, h);
  pen.strokeStyle = COLOURS.bark;
  pen.lineWidth = 0.6;
  pen.beginPath();
  for (let row = 1; row <= bed.rows.count; row++) {
    const [from, to] = [pointOf({ row, position: 1 }, bed), pointOf({ row, position: bed.rows.each }, bed)];
    pen.moveTo(px(view, from.x), py(view, from.y));
    pen.lineTo(px(view, to.x), py(view, to.y));
  }
  pen.stroke();
  pen.fillStyle = COLOURS.ink;
  pen.font = `700 14px ${marks.font}`;
  pen.textAlign = 'left';
  pen.fillText(bed.name, Math.max(6, x), Math.max(16, y - 7));
  if (bed.rows.between * view.scale < 15) return;
  pen.font = `12px ${marks.font}`;
  pen.fillStyle = COLOURS.muted;
  for (let row = 1; row <= bed.rows.count; row++) {
    const at = pointOf({ row, position: 1 }, bed);
    if (bed.onLand.turned) pen.fillText(String(row), px(view, at.x) - 3, Math.min(size.height - 6, y + h + 14));
    else {
      pen.textAlign = 'right';
      // Where the bed nearly touches the edge there is room for its number alone.
      pen.fillText(x > 50 ? `row ${row}` : String(row), Math.max(14, x - 6), py(view, at.y) + 4);
      pen.textAlign = 'left';
    }
  }
}

function drawTree(pen: Pen, tree: Scene['trees'][number], view: View, marks: Marks): void {
  const [x, y, r] = [px(view, tree.x), py(view, tree.y), (TREE_ACROSS / 2) * view.scale];
  pen.beginPath();
  pen.arc(x, y, r, 0, 2 * Math.PI);
  pen.fillStyle = COLOURS.leaf;
  pen.fill();
  pen.lineWidth = tree.placeId === marks.chosenPlace ? 4 : 1.5;
  pen.strokeStyle = tree.placeId === marks.chosenPlace ? COLOURS.ink : COLOURS['leaf-edge'];
  pen.stroke();
  pen.beginPath();
  pen.arc(x, y, Math.max(2.5, r * 0.09), 0, 2 * Math.PI);
  pen.fillStyle = COLOURS.bark;
  pen.fill();
  pen.fillStyle = COLOURS.ink;
  pen.font = `700 14px ${marks.font}`;
  pen.textAlign = 'center';
  pen.fillText(tree.name, x, y + r + 16);
  if (tree.held > 0) {
    pen.font = `12px ${marks.font}`;
    pen.fillText(String(tree.held), x, y - Math.max(6, r * 0.2));
  }
  pen.textAlign = 'left';
}

interface Shown {
  plant: ScenePlant;
  x: number;
  y: number;
  side: number;
  room: number;
}

/** Plants that are seen, by ribbon. Called at every frame of a drag: nothing is made that is not drawn. */
function shownPlants(scene: Scene, view: View, size: { width: number; height: number }): Map<string, Shown[]> {
  const shown = new Map<string, Shown[]>();
  for (const { placeId, rows, onLand } of scene.beds) {
    const [along, across] = [rows.spacing * view.scale, rows.between * view.scale];
    const [left, top] = [px(view, onLand.x), py(view, onLand.y)];
    const side = Math.max(2, Math.min(26, Math.min(along, across) * 0.72));
    for (const plant of scene.plants) {
      if (plant.placeId !== placeId) continue;
      const [u, v] = [(plant.spot.position - 0.5) * along, (plant.spot.row - 0.5) * across];
      const x = left + (onLand.turned ? v : u);
      const y = top + (onLand.turned ? u : v);
      if (x < -60 || y < -60 || x > size.width + 60 || y > size.height + 60) continue;
      const list = shown.get(plant.ribbon);
      const at = { plant, x, y, side, room: along };
      if (list) list.push(at);
      else shown.set(plant.ribbon, [at]);
    }
  }
  return shown;
}

/** Plants by ribbon, so that the colour of the pen changes eight times and not five thousand times. */
function drawPlants(pen: Pen, scene: Scene, view: View, size: { width: number; height: number }, marks: Marks): void {
  const shown = shownPlants(scene, view, size);
  for (const [ribbon, list] of shown) {
    const { id, colour, pattern } = ribbonById(ribbon);
    pen.fillStyle = colour;
    for (const { x, y, side } of list) pen.fillRect(x - side / 2, y - side / 2, side, side);
    if (list[0]!.side < PATTERNED * 0.72) continue;
    pen.strokeStyle = LIGHT_RIBBONS.has(id) ? COLOURS.ink : COLOURS.white;
    pen.lineWidth = 1.3;
    pen.beginPath();
    for (const { x, y, side } of list) tracePattern(pen, pattern, x, y, side * 0.34);
    pen.stroke();
  }
  pen.strokeStyle = COLOURS.ink;
  const all = [...shown.values()].flat();
  pen.lineWidth = 0.8;
  if (all[0] && all[0].side >= 6)
    for (const { x, y, side } of all) pen.strokeRect(x - side / 2, y - side / 2, side, side);
  pen.lineWidth = 2;
  pen.beginPath();
  for (const { plant, x, y, side } of all)
    if (plant.dead) {
      const r = side * 0.62;
      pen.moveTo(x - r, y - r);
      pen.lineTo(x + r, y + r);
      pen.moveTo(x + r, y - r);
      pen.lineTo(x - r, y + r);
    }
  pen.stroke();
  pen.lineWidth = 3;
  for (const { plant, x, y, side } of all)
    if (marks.selected.has(plant.plantId)) pen.strokeRect(x - side / 2 - 4, y - side / 2 - 4, side + 8, side + 8);
  drawCodes(pen, all, marks);
}

function drawCodes(pen: Pen, all: readonly Shown[], marks: Marks): void {
  if (!all[0] || all[0].side < 8) return;
  pen.fillStyle = COLOURS.ink;
  pen.textAlign = 'center';
  pen.font = `12px ${marks.font}`;
  for (const { plant, x, y, side, room } of all) {
    if (room >= CODED) pen.fillText(plant.code, x, y + side / 2 + 13);
    if (plant.doubtful && side >= 8) {
      pen.font = `700 13px ${marks.font}`;
      pen.fillText('?', x + side / 2 + 6, y - side / 2 + 4);
      pen.font = `12px ${marks.font}`;
    }
  }
  pen.textAlign = 'left';
}

/** The pattern of a ribbon round a point, `r` pixels to each side, so that no plant is told by colour alone. */
function tracePattern(pen: Pen, pattern: string, x: number, y: number, r: number): void {
  const stroke = (x0: number, y0: number, x1: number, y1: number): void => {
    pen.moveTo(x + x0 * r, y + y0 * r);
    pen.lineTo(x + x1 * r, y + y1 * r);
  };
  switch (pattern) {
    case 'bars':
      stroke(-0.5, -1, -0.5, 1);
      stroke(0.5, -1, 0.5, 1);
      break;
    case 'dots':
      pen.moveTo(x + r * 0.45, y);
      pen.arc(x, y, r * 0.45, 0, 2 * Math.PI);
      break;
    case 'slant':
      stroke(-1, 1, 1, -1);
      break;
    case 'checks':
      stroke(-1, 0, 1, 0);
      stroke(0, -1, 0, 1);
      break;
    case 'line':
      stroke(-1, 0, 1, 0);
      break;
    case 'crosses':
      stroke(-0.8, -0.8, 0.8, 0.8);
      stroke(0.8, -0.8, -0.8, 0.8);
      break;
    case 'lines':
      stroke(-1, -0.4, 1, -0.4);
      stroke(-1, 0.4, 1, 0.4);
      break;
  }
}

function drawCursor(pen: Pen, scene: Scene, view: View, { placeId, spot }: Target): void {
  const bed = scene.beds.find((known) => known.placeId === placeId);
  if (!bed) return;
  const point = pointOf(spot, bed);
  const r = Math.max(7, Math.min(bed.rows.spacing, bed.rows.between) * view.scale * 0.5);
  pen.strokeStyle = COLOURS.ink;
  pen.lineWidth = 2;
  pen.setLineDash([4, 3]);
  pen.strokeRect(px(view, point.x) - r, py(view, point.y) - r, 2 * r, 2 * r);
  pen.setLineDash([]);
}

/** Feet in a metre. */
const FEET = 3.28084;

function drawScaleBar(pen: Pen, view: View, { height }: { height: number }, { font, feet }: Marks): void {
  const perUnit = view.scale * 1000 * (feet ? 1 / FEET : 1);
  const length = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((units) => units * perUnit > 50) ?? 500;
  const wide = length * perUnit;
  pen.strokeStyle = COLOURS.ink;
  pen.lineWidth = 2;
  pen.beginPath();
  pen.moveTo(14, height - 18);
  pen.lineTo(14, height - 12);
  pen.lineTo(14 + wide, height - 12);
  pen.lineTo(14 + wide, height - 18);
  pen.stroke();
  pen.fillStyle = COLOURS.ink;
  pen.font = `12px ${font}`;
  pen.fillText(`${length} ${feet ? 'ft' : 'm'}, north up`, 22 + wide, height - 10);
}

/** What a pointer holds over the land: the number of plants under it, a box, or the way a bed goes. */
export function drawHeld(pen: Pen, held: Drag, { x, y }: { x: number; y: number }): void {
  pen.strokeStyle = COLOURS.ink;
  if (held.kind === 'box') {
    pen.lineWidth = 2;
    pen.setLineDash([6, 4]);
    pen.strokeRect(held.x, held.y, x - held.x, y - held.y);
    pen.setLineDash([]);
  } else if (held.kind === 'place') {
    pen.lineWidth = 3;
    pen.beginPath();
    pen.moveTo(held.x, held.y);
    pen.lineTo(x, y);
    pen.stroke();
  } else if (held.kind === 'plants') {
    pen.lineWidth = 3;
    pen.fillStyle = COLOURS.sheet;
    pen.fillRect(x - 16, y - 16, 32, 32);
    pen.strokeRect(x - 16, y - 16, 32, 32);
    pen.fillStyle = COLOURS.ink;
    pen.textAlign = 'center';
    pen.font = '700 15px sans-serif';
    pen.fillText(String(held.plantIds.length), x, y + 5);
    pen.textAlign = 'left';
  }
}
