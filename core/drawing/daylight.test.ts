import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hollowed } from '../methods/common/sloping-cut';
import { METHODS } from '../methods/registry';
import { woodOf } from '../methods/shown-technique';
import { stepSheets } from '../teach/step-sheets';
import { daylightOf } from './daylight';
import { cutOn, shoot } from './workpieces';

const whip = cutOn(shoot({ name: 'stock', diameter: 10, bark: 1, foot: -20, top: 34 }), 'front', [
  [0, 0],
  [34, 10],
]);

describe('daylight', () => {
  it('is as deep as the hollow, in its middle', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 3, noNaN: true }), (deep) => {
        const [daylight, ...others] = daylightOf(hollowed(whip, 'front', deep), whip);
        expect(others).toEqual([]);
        expect(daylight!.deepest).toBeCloseTo(deep, 1);
        expect(daylight!.at[1]).toBeCloseTo(17, 0);
      }),
    );
  });
  it('is none where a piece is cut right, or has wood left over', () => {
    expect(daylightOf(whip, whip)).toEqual([]);
    expect(daylightOf(whip, hollowed(whip, 'front', 2))).toEqual([]);
  });
  it('is named by its depth on every hollow face that a method warns of', () => {
    const named = METHODS.flatMap((method) =>
      stepSheets(method, {}, woodOf(method.shownWith), 'mm').flatMap(({ id, wrongDrawing }) =>
        (wrongDrawing?.items ?? []).flatMap((item) =>
          item.kind === 'label' && item.text.includes('daylight') ? [`${method.id} ${id}`] : [],
        ),
      ),
    );
    expect(named).toEqual(
      expect.arrayContaining(['whip-and-tongue stock-cut', 'splice stock-cut', 'bark face', 'chip bed']),
    );
  });
});
