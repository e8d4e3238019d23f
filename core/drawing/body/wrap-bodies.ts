import { line, type Path, type Point } from '../display-list';
import type { Cover, Workpieces } from '../workpieces';
import { type DepthMap, type Placed, seenPlace } from './depth-map';
import { type Frame, into, outOf } from './frame';
import type { Look } from './ready-solid';
import { rod, type Solid } from './solid';

/** How thick a wrap lies, mm. */
const THICK = 0.5;
/** How thick a seal lies on an end, and what keeps two surfaces from being one, mm. */
const SEAL = 0.4;
const THIN = 0.05;
/** What may stand out of a round wrap, mm: a bud does; a scion that leans out is wrapped with it, which is no round. */
const STANDS_OUT = 1.6;
/** From one turn to the next, mm. */
const PITCH: Partial<Record<Cover['kind'], number>> = { tape: 4, rubber: 2.4, band: 2.4 };

/** A cover that lies round a piece, as a body. */
export interface Wrap extends Placed {
  cover: Cover;
  radius: number;
}

/** The covers that lie round a piece: tape, rubber and the seal of an end; others are told by flat signs. */
export function wrapBodies(pieces: Workpieces, frames: Record<Cover['on'], Frame>): Wrap[] {
  return pieces.covers.flatMap((cover, i): Wrap[] => {
    if (PITCH[cover.kind] === undefined && cover.kind !== 'seal') return [];
    const piece = pieces[cover.on];
    // What is put on later lies on what is there.
    const radius = piece.diameter / 2 + THICK * (1 + i / 2);
    const { scion, joined } = pieces;
    const beside = joined && cover.on === 'stock' && scion.pose.y + scion.foot < cover.to;
    if (beside && Math.abs(scion.pose.u) + scion.diameter / 2 > radius + STANDS_OUT) return [];
    // A wrap is open at its ends; a seal lies over the end as well.
    const seal = cover.kind === 'seal';
    const round: Solid = seal
      ? { shape: rod(cover.from, cover.to + SEAL, radius), shows: 'seal' }
      : {
          shape: rod(cover.from, cover.to - THIN, radius),
          shows: 'wrap',
          but: [rod(cover.from - 1, cover.to + 1, piece.diameter / 2 - THIN)],
        };
    const layers = { bark: radius, wood: 0, pith: 0 };
    return [{ cover, radius, frame: frames[cover.on], body: { grown: [round], cut: [], folded: [], layers } }];
  });
}

/** The turns of a wrap where they are seen, each rising over the one before. */
export function wrapTurns({ cover, radius, frame }: Wrap, index: number, look: Look, map: DepthMap): Path[] {
  const pitch = PITCH[cover.kind];
  if (!pitch) return [];
  const axes: Frame = { at: [0, 0, 0], axes: frame.axes };
  const near = into(axes, look.near);
  const facing = Math.atan2(near[1], near[0]);
  const paths: Path[] = [];
  for (let from = cover.from - pitch; from < cover.to; from += pitch) {
    const points: Point[] = [];
    for (let degrees = -90; degrees <= 90; degrees += 10) {
      const y = from + (pitch * (degrees + 90)) / 360 + pitch / 2;
      const angle = facing + (degrees * Math.PI) / 180;
      if (y < cover.from || y > cover.to) continue;
      const place = outOf(frame, [radius * Math.cos(angle), radius * Math.sin(angle), y]);
      const found = seenPlace(map, look, place);
      if (found?.seen.body === index) points.push(found.at);
    }
    if (points.length > 2) paths.push(line('wrap', ...points));
  }
  return paths;
}
