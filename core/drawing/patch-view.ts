import type { PatchContact, PatchUnion } from '../contact/patch-contact';
import { formatLength, type LengthUnit } from '../units/length';
import { area, line, ring, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

/** A patch in its window, from the front: the ends that touch drawn thick, gaps with their millimetres. */
export function patchView(
  { patchHeight, windowHeight, patchWidth, windowWidth }: PatchUnion,
  { gaps, runs }: PatchContact,
  unit: LengthUnit,
): DisplayList {
  const margin = 16;
  const half = Math.max(windowWidth, patchWidth) / 2 + 5;
  const width = 2 * (half + margin);
  const middle = width / 2;
  const top = 12;
  const height = top + windowHeight + 18;
  const box = (w: number, from: number, to: number): Point[] => [
    [middle - w / 2, from],
    [middle + w / 2, from],
    [middle + w / 2, to],
    [middle - w / 2, to],
  ];
  // A patch pressed in by a little fills its window.
  const patchTop = top + gaps.top;
  const patchFoot = top + windowHeight - gaps.bottom;
  const items: (Path | Label)[] = [
    area('bark', box(2 * half, top - 5, top + windowHeight + 5)),
    area('wood', box(windowWidth, top, top + windowHeight)),
    ring('cambium-stock', box(windowWidth, top, top + windowHeight)),
    area('bark', box(patchWidth, patchTop, patchFoot)),
    ring('cambium-scion', box(patchWidth, patchTop, patchFoot)),
    area('bud', [
      [middle, top + windowHeight / 2 - 4],
      [middle + 2, top + windowHeight / 2],
      [middle, top + windowHeight / 2 + 2.4],
      [middle - 2, top + windowHeight / 2],
    ]),
  ];
  for (const end of ['top', 'bottom'] as const) {
    const y = end === 'top' ? top : top + windowHeight;
    const touches = runs.some((run) => run.line === end);
    if (touches) items.push(line('touch', [middle - patchWidth / 2, y], [middle + patchWidth / 2, y]));
    else
      for (let x = -patchWidth / 2 + 0.8; x < patchWidth / 2; x += 1.6)
        items.push(line('gap', [middle + x, y], [middle + x, end === 'top' ? patchTop : patchFoot]));
    items.push({
      kind: 'label',
      role: 'dimension',
      at: [middle + half + 1.5, y + 1],
      anchor: 'start',
      text: touches ? formatLength(patchWidth, unit) : `gap ${formatLength(gaps[end], unit)}`,
    });
  }
  items.push(
    { kind: 'label', role: 'name', at: [middle - half - 1.5, top + 1], anchor: 'end', text: 'top' },
    ...scaleBar([middle - 5, height - 4], unit),
  );
  items.push(line('dimension', [middle - half - 3, patchTop], [middle - half - 3, patchFoot]), {
    kind: 'label',
    role: 'dimension',
    at: [middle - half - 4, (patchTop + patchFoot) / 2 + 1],
    anchor: 'end',
    text: formatLength(patchHeight, unit),
  });
  return { width, height, items, anchors: [] };
}
