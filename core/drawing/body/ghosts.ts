import { area, type Path, type Point, ring } from '../display-list';
import type { Piece } from '../workpieces';
import { type DepthMap, depthMap, type Placed, type Reach, seenAs } from './depth-map';
import type { Frame } from './frame';
import { pieceBody } from './piece-body';
import { roleOf, signedArea } from './seen-regions';
import { THREE_QUARTER } from './three-quarter-look';
import { traceRegions } from './trace-regions';

/** A piece as it should be, where one went wrong. */
interface Ideal {
  placed: Placed;
  /** Its number among the pieces. */
  body: number;
  /** Whether the wrong one lies where it should, and is only cut otherwise. */
  inPlace: boolean;
}

/** The pieces that went wrong as they should be, each where it should lie, with its number among the pieces. */
export function idealOf(wrong: readonly Piece[], right: readonly Piece[], places: readonly Frame[]): Ideal[] {
  return right.flatMap((good, body) => {
    const piece = wrong[body];
    if (!piece || JSON.stringify(piece) === JSON.stringify(good)) return [];
    // Of another piece, or one that lies elsewhere or the wrong way up, nothing is missing.
    const placeOf = ({ pose, buds, diameter }: Piece): string => JSON.stringify([pose, buds, diameter]);
    const inPlace = placeOf(piece) === placeOf(good);
    return [{ placed: { body: pieceBody(good), frame: places[body]! }, body, inPlace }];
  });
}

/** Wood that stands further back than it should by this is missing, mm. */
const MISSING = 0.6;

/** What should be seen as dotted outlines, and where wood is missing that should be there, filled. */
export function ghosts(ideal: readonly Ideal[], map: DepthMap, reach: Reach): Path[] {
  return ideal.flatMap(({ placed, body, inPlace }) => {
    const should = depthMap([placed], THREE_QUARTER, reach);
    const lacks = should.label.map((label, i) => {
      if (label === 0 || !inPlace) return 0;
      const is = map.label[i]!;
      if (is !== 0 && seenAs(is).body !== body) return 0;
      return is === 0 || should.depth[i]! - map.depth[i]! > MISSING ? 1 : 0;
    });
    const outlines = should.label.map((label) => {
      const role = label === 0 ? null : roleOf([placed], label);
      return role === null ? 0 : role === 'bark' || role === 'bud' || role === 'flap' ? 1 : 2;
    });
    const whole = outlines.map((part) => (part === 0 ? 0 : 1));
    const closed = (parts: Int32Array, part: number): Point[][] =>
      (traceRegions(should, parts).get(part) ?? []).filter((points) => signedArea(points) > 4);
    return [
      ...closed(lacks, 1).map((points) => area('daylight', points)),
      ...[...closed(whole, 1), ...closed(outlines, 2)].map((points) => ring('ghost', points)),
    ];
  });
}
