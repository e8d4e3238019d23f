import type { Lip, Spot, Workpieces } from '../../drawing/workpieces';

/** The rest of the strip laid over the scion's foot: up along its chisel, and on along its back. */
export function flapOver({ stock, scion }: Workpieces, from: number, to: number, slot: number): Lip {
  const wood = stock.diameter / 2 - stock.bark;
  const back = scion.cuts.back[0]![1];
  const chisel = scion.cuts.front.map(([y, depth]): Spot => [
    wood + scion.diameter - back - depth,
    from + y - scion.foot,
  ]);
  const along = chisel.filter(([, y]) => y < to);
  const [next, last] = [chisel[along.length], chisel.at(-1)!];
  const before = along.at(-1)!;
  const end: Spot = next
    ? [before[0] + ((next[0] - before[0]) * (to - before[1])) / (next[1] - before[1]), to]
    : [last[0], to];
  return { from, to, hinge: -slot / 2, fold: slot, over: [...along, end] };
}
