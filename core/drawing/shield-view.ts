import type { ShieldUnion } from '../contact/shield-contact';
import type { UnionContact } from '../contact/union-contact';
import { formatLength, type LengthUnit } from '../units/length';
import { area, line, ring, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

/** The back of a shield under the lips of a T: how much is in, and where it lies on the wood, drawn thick. The foot is below. */
export function shieldView(
  { shieldLength, downCut, inserted }: ShieldUnion,
  { runs, touching }: UnionContact,
  width: number,
  unit: LengthUnit,
): DisplayList {
  const margin = 16;
  const top = 8 + Math.max(0, shieldLength - inserted);
  const reach = Math.max(downCut, inserted);
  const full = width + 14;
  const total = full + 2 * margin;
  const middle = total / 2;
  const height = top + reach + 16;
  const at = (across: number, below: number): Point => [middle + across, top + below];
  const half = width / 2;
  const oval = (steps: number): Point[] =>
    Array.from({ length: steps }, (_, i) => {
      const angle = (i / steps) * 2 * Math.PI;
      return at(half * Math.cos(angle), inserted - shieldLength / 2 - (shieldLength / 2) * Math.sin(angle));
    });
  const items: (Path | Label)[] = [
    area('bark', [at(-full / 2, -2), at(full / 2, -2), at(full / 2, reach + 4), at(-full / 2, reach + 4)]),
    area('wood', [at(-half - 1, 0), at(half + 1, 0), at(half + 1, downCut), at(-half - 1, downCut)]),
    ring('cambium-scion', oval(60)),
    line('knife-cut', at(-half - 4, 0), at(half + 4, 0)),
    line('knife-cut', at(0, 0), at(0, downCut)),
  ];
  // x runs from the foot of the shield upwards.
  for (const { from, to } of runs)
    for (const side of [-1, 1])
      items.push(line('touch', at(side * half * 0.55, inserted - from), at(side * half * 0.55, inserted - to)));
  for (let x = 1; x < shieldLength; x += 1.8)
    if (!runs.some(({ from, to }) => x >= from && x <= to))
      items.push(line('gap', at(-half * 0.5, inserted - x), at(half * 0.5, inserted - x - 0.8)));
  items.push({
    kind: 'label',
    role: 'dimension',
    at: [middle + full / 2 + 1.5, top + reach / 2],
    anchor: 'start',
    text: touching < 0.05 ? 'no touch' : formatLength(touching, unit),
  });
  items.push(
    { kind: 'label', role: 'name', at: [middle - full / 2 - 1.5, top + 1], anchor: 'end', text: 'cross cut' },
    ...scaleBar([middle - 5, height - 4], unit),
  );
  return { width: total, height, items, anchors: [] };
}
