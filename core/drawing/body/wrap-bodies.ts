import { line, type Path, type Point } from '../display-list';
import { type Cover, riseOf, type Workpieces } from '../workpieces';
import { type DepthMap, type Placed, seenPlace } from './depth-map';
import { type Frame, into, outOf } from './frame';
import type { Look } from './ready-solid';
import { wrapSection } from './wrap-section';

/** How thick a wrap lies, mm. */
const THICK = 0.5;
/** How thick a seal lies on an end, and what keeps two surfaces from being one, mm. */
const SEAL = 0.4;
const THIN = 0.05;
/** Heights of a turn that it is drawn tight at. */
const LOOKS = 2;

/** A cover that lies round the pieces, as a body. */
export interface Wrap extends Placed {
  cover: Cover;
  /** Its outline by height, from the foot upwards: each holds up to its height, seen from above. */
  turns: { to: number; outline: readonly (readonly [u: number, w: number])[] }[];
}

/** The covers that lie round a piece: tape, rubber, foil and the seal of an end; others are told by flat signs. */
export function wrapBodies(pieces: Workpieces, wood: readonly Placed[]): Wrap[] {
  return pieces.covers.flatMap((cover, i): Wrap[] => {
    const whole = cover.kind === 'seal' || cover.kind === 'foil';
    const pitch = whole ? cover.to - cover.from : riseOf(cover);
    if (pitch === null) return [];
    // What is put on later lies on what is there.
    const thick = THICK * (1 + i / 2);
    const on = cover.on === 'stock' && pieces.joined ? wood : [wood[cover.on === 'stock' ? 0 : 1]!];
    const { frame } = on[0]!;
    const turns = turnsOf(on, frame, cover, pitch, thick);
    const seal = cover.kind === 'seal';
    const shows = seal ? 'seal' : cover.kind === 'foil' ? 'foil' : 'wrap';
    const layers = { bark: Infinity, wood: 0, pith: 0 };
    // A wrap is open at its ends, where what it lies on comes out; a seal lies over the end as well.
    const body: Placed['body'] = { grown: [], cut: [], folded: [], layers };
    let from = cover.from;
    for (const turn of turns) {
      const last = turn === turns.at(-1);
      const to = last ? turn.to + (seal ? SEAL : -THIN) : turn.to;
      body.grown.push({ shape: { kind: 'prism', along: 'y', outline: turn.outline, from, to }, shows });
      from = turn.to;
    }
    return turns.length > 0 ? [{ cover, turns, frame, body }] : [];
  });
}

/** Turn by turn, each drawn tight round what it lies on; those alike are one. */
function turnsOf(
  on: readonly Placed[],
  frame: Frame,
  { from, to }: Cover,
  pitch: number,
  thick: number,
): Wrap['turns'] {
  const turns: Wrap['turns'] = [];
  for (let y = from; y < to - THIN; y += pitch) {
    const end = Math.min(to, y + pitch);
    const heights = Array.from({ length: LOOKS }, (_, i) => y + ((i + 0.5) / LOOKS) * (end - y));
    const outline = wrapSection(on, frame, heights, thick);
    if (outline.length < 3) continue;
    const before = turns.at(-1);
    if (before && alike(before.outline, outline)) before.to = end;
    else turns.push({ to: end, outline });
  }
  return turns;
}

function alike(before: Wrap['turns'][number]['outline'], now: Wrap['turns'][number]['outline']): boolean {
  return (
    now.length === before.length && now.every(([u, w], i) => Math.hypot(u - before[i]![0], w - before[i]![1]) < 0.1)
  );
}

/** The turns of a wrap where they are seen, each rising over the one before. */
export function wrapTurns({ cover, turns, frame }: Wrap, index: number, look: Look, map: DepthMap): Path[] {
  const pitch = riseOf(cover);
  if (!pitch) return [];
  const near = into({ at: [0, 0, 0], axes: frame.axes }, look.near);
  const facing = Math.atan2(near[1], near[0]);
  const paths: Path[] = [];
  for (let from = cover.from - pitch; from < cover.to; from += pitch) {
    const points: Point[] = [];
    for (let degrees = -90; degrees <= 90; degrees += 10) {
      const y = from + (pitch * (degrees + 90)) / 360 + pitch / 2;
      const turn = turns.find(({ to }) => y <= to);
      if (y < cover.from || !turn) continue;
      const [u, w] = onOutline(turn.outline, facing + (degrees * Math.PI) / 180);
      const found = seenPlace(map, look, outOf(frame, [u, w, y]));
      if (found?.seen.body === index) points.push(found.at);
    }
    if (points.length > 2) paths.push(line('wrap', ...points));
  }
  return paths;
}

/** Where an outline lies in a direction from its middle. */
function onOutline(outline: Wrap['turns'][number]['outline'], angle: number): readonly [number, number] {
  const count = outline.length;
  const [mu, mw] = outline.reduce(([u, w], spot) => [u + spot[0] / count, w + spot[1] / count], [0, 0]);
  const [du, dw] = [Math.cos(angle), Math.sin(angle)];
  for (let i = 0; i < count; i++) {
    const [[au, aw], [bu, bw]] = [outline[i]!, outline[(i + 1) % count]!];
    // The outline runs anticlockwise: it is left where the direction passes from before a corner to behind the next.
    const before = du * (aw - mw) - dw * (au - mu);
    const after = du * (bw - mw) - dw * (bu - mu);
    if (before > 0 || after < 0 || before === after) continue;
    const share = before / (before - after);
    return [au + (bu - au) * share, aw + (bw - aw) * share];
  }
  return outline[0]!;
}
