import { noSpans, type Spans } from './ray-spans';
import { type Ready, throughSolid } from './ready-solid';

/*
 * The nearest face of a body that a line of sight meets. Asked for each spot of a drawing, so what it found is left in
 * one place and no object is made for it.
 */

const inside = noSpans();
const away = noSpans();

/** What `firstFace` found. */
export const found = { z: 0, solid: 0, face: 0 };
/** The solids that the spans inside what grew, and inside what was cut away, belong to. */
const owners = new Int16Array(64);
const cutters = new Int16Array(64);

/** Solids of a body on one row of spots, in the order they are counted in. */
export interface Looked {
  ready: readonly Ready[];
  onRow: readonly boolean[];
  cutsFrom: number;
  foldedFrom: number;
}

/** The nearest face a line meets: of what grew less what was cut, or of what is folded off. */
export function firstFace({ ready, onRow, cutsFrom, foldedFrom }: Looked, x: number, y: number): boolean {
  found.z = -Infinity;
  inside.count = 0;
  for (let i = 0; i < cutsFrom; i++) gather(ready, onRow, i, x, y, inside, owners);
  if (inside.count > 0) {
    away.count = 0;
    for (let i = cutsFrom; i < foldedFrom; i++) gather(ready, onRow, i, x, y, away, cutters);
    nearestLeft();
  }
  if (foldedFrom === ready.length) return found.z > -Infinity;
  inside.count = 0;
  for (let i = foldedFrom; i < ready.length; i++) gather(ready, onRow, i, x, y, inside, owners);
  for (let k = 0; k < inside.count; k++) {
    if (inside.near[k]! <= found.z) continue;
    found.z = inside.near[k]!;
    found.solid = owners[k]!;
    found.face = inside.nearFace[k]!;
  }
  return found.z > -Infinity;
}

function gather(
  ready: readonly Ready[],
  onRow: readonly boolean[],
  i: number,
  x: number,
  y: number,
  spans: Spans,
  solids: Int16Array,
): void {
  const solid = ready[i]!;
  if (!onRow[i] || x < solid.box.left || x > solid.box.right) return;
  const before = spans.count;
  throughSolid(solid, x, y, spans);
  for (let k = before; k < spans.count; k++) solids[k] = i;
}

/** Walks inwards from the nearest face of what grew, past all that was cut away. */
function nearestLeft(): void {
  let from = Infinity;
  for (let turn = 0; turn < 64; turn++) {
    // The nearest place inside what grew, no nearer than `from`.
    let z = -Infinity;
    let owner = -1;
    let face = 0;
    for (let i = 0; i < inside.count; i++) {
      const near = Math.min(from, inside.near[i]!);
      if (near <= inside.far[i]! || near <= z) continue;
      z = near;
      owner = owners[i]!;
      face = inside.near[i]! <= from ? inside.nearFace[i]! : -1;
    }
    if (owner < 0) return;
    // A cut that holds this place is passed through to its far side.
    let passed = false;
    for (let i = 0; i < away.count && !passed; i++) {
      if (away.near[i]! < z - 1e-9 || away.far[i]! >= z - 1e-9) continue;
      from = away.far[i]!;
      found.solid = cutters[i]!;
      found.face = away.farFace[i]!;
      passed = true;
    }
    if (passed) continue;
    found.z = z;
    if (face >= 0) {
      found.solid = owner;
      found.face = face;
    }
    return;
  }
}
