import { describe, expect, it } from 'vitest';
import { briefingText, irritates } from './briefing/briefing-text';
import { METHODS } from '../methods/registry';
import { relevantChoices } from '../methods/school';
import { shownTechnique, woodOf } from '../methods/shown-technique';
import { thinnestStock } from '../methods/use';
import { fittingWood } from './fitting-wood';
import { STOCK_RANGES } from '../methods/stock-ranges';
import { faultShown } from './fault-shown';
import { stepSheets } from './step-sheets';

describe.each(METHODS.map((method) => [method.id, method] as const))('sheets of %s', (_id, method) => {
  it('are plain values, one a step, the joining one with the lines that must meet', () => {
    const sheets = stepSheets(method, {}, woodOf(method.shownWith), 'mm');
    expect(JSON.parse(JSON.stringify(sheets))).toEqual(sheets);
    expect(sheets).toHaveLength(shownTechnique(method).steps.length);
    expect(sheets.filter(({ lines }) => lines)).toHaveLength(1);
    expect(sheets.filter(({ blocks }) => blocks).length).toBeGreaterThanOrEqual(2);
    expect(sheets.some(({ wrongDrawing }) => wrongDrawing)).toBe(true);
  });
  it('are drawn with its own limits, and refuse what lies outside with what to do', () => {
    const { stock } = method.use;
    expect(fittingWood(method, method.shownWith, 'mm', STOCK_RANGES).problem).toBeNull();
    const least = thinnestStock(stock);
    expect(fittingWood(method, { stock: least, scion: null }, 'mm', STOCK_RANGES).problem).toBeNull();
    const thin = fittingWood(method, { stock: least - 0.1, scion: null }, 'mm', STOCK_RANGES);
    expect(thin.problem).toContain(`${least} mm and more`);
    expect(thin.wood).toEqual(woodOf(method.shownWith));
    if (!stock.thicker)
      expect(fittingWood(method, { stock: stock.to + 0.1, scion: null }, 'mm', STOCK_RANGES).problem).toMatch(
        /take |no method is done/,
      );
    expect(fittingWood(method, { stock: Number.NaN, scion: null }, 'mm', STOCK_RANGES).problem).toContain(
      'more than 0',
    );
  });
});

describe.each(METHODS.map((method) => [method.id, method] as const))('faults of %s', (_id, method) => {
  const ways = [
    {},
    ...method.schools.flatMap(({ id, options }) => options.slice(1).map((option) => ({ [id]: option.id }))),
  ];
  it('name points that the method judges, whatever the school', () => {
    for (const choices of ways) {
      const { steps, points } = shownTechnique(method, choices);
      const judged = points.map(({ id }) => id);
      for (const { id, wrong } of steps)
        if (wrong.point) expect(judged, `${id}, ${JSON.stringify(choices)}`).toContain(wrong.point);
    }
  });
  it('are drawn beside how it should be, as the step of that fault leaves the pieces, and differ from it', () => {
    const technique = shownTechnique(method);
    const drawn = technique.points.flatMap(({ id }) => {
      const shown = faultShown(technique, id, 'mm');
      return shown
        ? [{ ...shown, step: technique.steps.find(({ wrong, spoil }) => wrong.point === id && spoil)! }]
        : [];
    });
    expect(drawn.length).toBeGreaterThanOrEqual(3);
    for (const { step, right, wrong, looks } of drawn) {
      expect(looks).toContain(step.wrong.what);
      expect(wrong.items).not.toEqual(right.items);
    }
    expect(faultShown(technique, 'safe-hands', 'mm')).toBeNull();
  });
});

describe('schools', () => {
  const told = (method: (typeof METHODS)[number], choices: Record<string, string>): string => {
    const { steps, points, materials, aftercare } = shownTechnique(method, choices);
    return JSON.stringify([
      steps.map(({ id, action, lookFor, figures }) => [id, action, lookFor, figures]),
      points,
      materials,
      aftercare,
    ]);
  };
  it.each(METHODS.map((method) => [method.id, method] as const))(
    'of %s: every answer that is not the usual one changes steps, points, materials or aftercare',
    (_id, method) => {
      const usual = told(method, {});
      for (const { id, options } of method.schools) {
        expect(told(method, { [id]: options[0]!.id })).toBe(usual);
        const answers = options.slice(1).map((option) => told(method, { [id]: option.id }));
        for (const [i, answer] of answers.entries()) expect(answer, `${id}: ${options[i + 1]!.words}`).not.toBe(usual);
      }
    },
  );
  it('are kept only where they differ from the usual and are known', () => {
    const { schools } = METHODS[0]!;
    expect(relevantChoices({ tongue: 'middle', buds: 'two', glue: 'hot' }, schools)).toEqual({ tongue: 'middle' });
  });
});

describe('briefingText', () => {
  const notes = { firstAid: 'Joss', kit: 'shelf', localRules: '', sap: false };
  it('has the cautions of the steps once each, in their order, and always knives and wood', () => {
    const method = METHODS[0]!;
    const ids = briefingText(shownTechnique(method), shownTechnique(method).tools, notes).cautions.map(({ id }) => id);
    expect(ids[0]).toBe('knives');
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(expect.arrayContaining(['long-cut', 'tongue-cut', 'hands-meet', 'sealant']));
    expect(ids).not.toContain('sap');
  });
  it('warns of sap where the wood calls for it, and of saws where one is used', () => {
    expect(irritates(['pear', ' Fig '])).toBe(true);
    expect(irritates(['pear'])).toBe(false);
    const sawn = METHODS.find((method) => shownTechnique(method).tools.some(({ id }) => id === 'saw'))!;
    expect(
      briefingText(shownTechnique(sawn), shownTechnique(sawn).tools, { ...notes, sap: true }).cautions.map(
        ({ id }) => id,
      ),
    ).toEqual(expect.arrayContaining(['saw', 'sap']));
  });
});
