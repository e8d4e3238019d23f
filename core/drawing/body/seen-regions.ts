import { area, line, type Path, type Point, ring, type Role } from '../display-list';
import { type DepthMap, isEnd, type Placed, seenAs, solidsOf } from './depth-map';
import { BUT_FACE } from './ready-solid';
import { traceRegions } from './trace-regions';

/** How what is seen is painted. */
export function roleOf(placed: readonly Placed[], label: number): Role {
  const { body, solid, face, layer } = seenAs(label);
  const { shows, shape } = solidsOf(placed[body]!.body)[solid]!;
  const grown = solid < placed[body]!.body.grown.length;
  const onCut = (['cut-bark', 'wood', 'pith'] as const)[layer];
  if (shows === 'wrap' || shows === 'seal' || shows === 'foil') return shows;
  if (face === BUT_FACE) return shows === 'flap' ? 'flap' : 'wood';
  if (shows === 'bark') return grown && shape.kind === 'lathe' && solid === 0 && isEnd(face) ? onCut : 'bark';
  if (shows === 'cut' || shows === 'bared') return onCut;
  return shows === 'kerf' ? 'kerf' : shows === 'bud' ? 'bud' : 'flap';
}

/** What is seen as areas with their outlines, large ones first; the green line where bark meets wood on a cut. */
export function regionsOf(placed: readonly Placed[], map: DepthMap): Path[] {
  const silhouettes = new Int32Array(map.label.length);
  for (let i = 0; i < silhouettes.length; i++) silhouettes[i] = map.label[i] === 0 ? 0 : seenAs(map.label[i]!).body + 1;
  const under = [...traceRegions(map, silhouettes)].flatMap(([body, borders]) =>
    borders
      .filter((points) => signedArea(points) > 0)
      .map((points) => ({
        points,
        role: placed[body - 1]!.body.grown[0]!.shows === 'bark' ? ('bark' as const) : null,
      })),
  );
  const roles = new Map<number, Role>();
  const roleAt = (label: number): Role => {
    const known = roles.get(label);
    if (known) return known;
    const role = roleOf(placed, label);
    roles.set(label, role);
    return role;
  };
  const faces = [...traceRegions(map, map.label)].flatMap(([label, borders]) =>
    borders.map((points) => ({ role: roleAt(label), points, size: signedArea(points) })).filter(({ size }) => size > 0),
  );
  faces.sort((a, b) => b.size - a.size);
  return [
    ...under.flatMap(({ role, points }) => (role ? [area(role, points)] : [])),
    ...faces.map(({ role, points }) => area(role, points)),
    ...faces.filter(({ role }) => role === 'cut-bark').map(({ points }) => ring('knife-cut', points)),
    ...greenLines(map, (label) => (label === 0 ? null : roleAt(label))),
    ...under.map(({ points }) => ring('outline', points)),
  ];
}

/** How far beside the wood's border it is looked for bark, spots. */
const BESIDE_BORDER = 1.6;

/** The green line: where wood that was cut or laid bare meets bark, and not where it ends in the air. */
function greenLines(map: DepthMap, roleAt: (label: number) => Role | null): Path[] {
  const wood = map.label.map((label) => {
    const role = roleAt(label);
    return role === 'wood' || role === 'pith' ? seenAs(label).body + 1 : 0;
  });
  const meetsBark = ([x0, y0]: Point, [x1, y1]: Point): boolean => {
    const length = Math.hypot(x1 - x0, y1 - y0) || 1;
    // The wood lies to the right of its border.
    const x = Math.floor(((x0 + x1) / 2) * map.scale + ((y1 - y0) / length) * BESIDE_BORDER);
    const y = Math.floor(((y0 + y1) / 2) * map.scale - ((x1 - x0) / length) * BESIDE_BORDER);
    const role = x < 0 || y < 0 || x >= map.wide || y >= map.high ? null : roleAt(map.label[y * map.wide + x]!);
    return role === 'cut-bark' || role === 'flap' || role === 'kerf';
  };
  return [...traceRegions(map, wood).values()].flat().flatMap((border) => {
    const runs: Point[][] = [];
    border.forEach((from, i) => {
      const to = border[(i + 1) % border.length]!;
      if (!meetsBark(from, to)) return;
      const last = runs.at(-1);
      if (last?.at(-1) === from) last.push(to);
      else runs.push([from, to]);
    });
    return runs.map((points) => line('meet', ...points));
  });
}

/** Twice the area inside a closed line; positive where it runs round what it holds. */
export function signedArea(points: readonly Point[]): number {
  return points.reduce((sum, [x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length]!;
    return sum + x * ny - nx * y;
  }, 0);
}
