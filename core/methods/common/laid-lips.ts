import { chord, depthAt, type Lip, type Piece } from '../../drawing/workpieces';

/** Places round a section that a lip is laid on. */
const ROUND = 48;

/**
 * Lifted lips of bark laid on what was slid under them: each turns on its hinge until it lies on the piece, or stands
 * along its flank where that is too thick to be covered.
 */
export function lipsLaidOn(stock: Piece, scion: Piece): Piece {
  return { ...stock, lips: stock.lips.map((lip) => laidOn(lip, stock, scion)) };
}

/** How much of half a shield each lip leaves free: the bud stands there. */
const FREE = 0.42;

/** Lips of thin bark bent over both edges of a shield that was slid under them; its bud stays out between them. */
export function lipsBentOver(stock: Piece, shield: Piece): Piece {
  const radius = shield.diameter / 2;
  const { u, w } = shield.pose;
  const back = Math.min(...shield.cuts.back.map(([, depth]) => depth));
  const edge = FREE * chord(radius, radius, Math.min(radius, shield.diameter - back));
  const [foot, top] = [shield.foot + shield.pose.y, shield.top + shield.pose.y];
  return { ...stock, lips: stock.lips.map((lip) => ({ ...lip, coat: { radius, u, w, edge, foot, top } })) };
}

function laidOn(lip: Lip, stock: Piece, { pose, diameter, cuts }: Piece): Lip {
  const wood = stock.diameter / 2 - stock.bark;
  const hinge = Math.sqrt(Math.max(0, wood ** 2 - lip.hinge ** 2));
  const radius = diameter / 2;
  const back = pose.u - radius + depthAt(cuts.back, (lip.from + lip.to) / 2 - pose.y);
  const ways = Array.from({ length: ROUND }, (_, i) => (2 * Math.PI * i) / ROUND).flatMap((angle) => {
    const u = Math.max(back, pose.u + radius * Math.cos(angle));
    const half = Math.sqrt(Math.max(0, radius ** 2 - (u - pose.u) ** 2));
    return [Math.atan2(pose.w + Math.sign(Math.sin(angle)) * half - lip.hinge, u - hinge)];
  });
  const points = lip.hinge < 0 ? Math.min(...ways) : Math.max(...ways);
  return { ...lip, points: (points * 180) / Math.PI };
}
