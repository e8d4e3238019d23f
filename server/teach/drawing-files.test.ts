import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { METHODS, methodById } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { fittingWood } from '@/core/teach/fitting-wood';
import { stepSheets } from '@/core/teach/step-sheets';
import { drawingFileOf, drawingRules, filedBodiesOf, filedStages, filedSteps, type StepsDrawn } from './drawing-files';

const drawnOf = (id: string, changes: Partial<StepsDrawn> = {}): StepsDrawn => {
  const method = methodById(id);
  return { method, choices: {}, wood: woodOf(method.shownWith), unit: 'mm', theme: 'page', ...changes };
};
const asked = (src: string): [name: string, query: Record<string, string>] => {
  const { pathname, searchParams } = new URL(src, 'http://bench.example');
  return [pathname.replace('/drawings/', ''), Object.fromEntries(searchParams)];
};

describe('drawings in files', () => {
  it.each(METHODS.map(({ id }) => id))('%s: every drawing of its steps is there by its address alone', async (id) => {
    const drawn = drawnOf(id);
    const steps = filedSteps(drawn);
    const plain = stepSheets(drawn.method, {}, drawn.wood, 'mm');
    const pairs = steps.flatMap((step, i) => [
      [step.drawing, plain[i]!.drawing] as const,
      ...(step.lines ? [[step.lines, plain[i]!.lines!] as const] : []),
      ...(step.wrap ?? []).map((picture, n) => [picture.drawing, plain[i]!.wrap![n]!.drawing] as const),
    ]);
    for (const [filed, whole] of pairs) {
      expect(filed).toMatchObject({ width: whole.width, height: whole.height });
      const kept = whole.items.filter(({ kind, role }) => kind === 'label' || role === 'daylight');
      expect(filed.items).toEqual(kept);
      const [, query] = asked(filed.src!);
      // As a server would that never drew it: under another name it is drawn again, and said to be another.
      const again = await drawingFileOf('elsewhere.svg', query, false);
      expect(again.same).toBe(false);
      expect(again.svg.match(/<path/g) ?? []).toHaveLength(whole.items.length - kept.length);
      const [name] = asked(filed.src!);
      expect(await drawingFileOf(name, {}, false)).toEqual({ svg: again.svg, same: true });
    }
  });
  it('says in its address what differs from the usual, and draws that', async () => {
    const { id: question, options } = methodById('chip').schools[0]!;
    const [usual] = filedSteps(drawnOf('chip'));
    const [other] = filedSteps(drawnOf('chip', { choices: { [question]: options[1]!.id }, unit: 'in', theme: 'dim' }));
    expect(usual!.drawing.src).not.toContain(`${question}=`);
    expect(other!.drawing.src).toContain(`${question}=${options[1]!.id}`);
    expect(other!.drawing.src).toContain('unit=in');
    const [name] = asked(other!.drawing.src!);
    expect((await drawingFileOf(name, {}, false)).svg).toContain('#eef3ea');
  });
  it('are drawn as bodies for members alone; others see what a member had drawn', async () => {
    const { wood } = fittingWood(methodById('splice'), { stock: 10.4, scion: 10.3 }, 'mm', STOCK_RANGES);
    const drawn = drawnOf('splice', { wood });
    const address = { method: 'splice', part: '1.right', stock: '10.4', scion: '10.3', unit: 'mm', theme: 'page' };
    await expect(drawingFileOf('elsewhere.svg', address, false)).rejects.toThrow('not found');
    const bodies = await filedBodiesOf(drawn);
    const [name, query] = asked(bodies[1]!.right.src!);
    expect(query).toEqual(address);
    const { svg } = await drawingFileOf(name, query, false);
    expect((await drawingFileOf('elsewhere.svg', query, false)).svg).toBe(svg);
    expect(await filedBodiesOf(drawn)).toBe(bodies);
  });
  it('show what becomes of a union, by its variant', async () => {
    const drawn = drawnOf('chip');
    const [first, second] = drawn.method.variants;
    const [early] = filedStages(drawn, first!.id);
    const [, query] = asked(early!.good.drawing.src!);
    expect(query.variant).toBe(first!.id);
    expect((await drawingFileOf('elsewhere.svg', query, false)).svg).toContain('<path');
    if (second) expect(filedStages(drawn, second.id)).not.toEqual(filedStages(drawn, first!.id));
  });
  it.each([
    [{ method: 'none', part: '0.drawing' }],
    [{ method: 'chip', part: '99.drawing', stock: '12', scion: '9' }],
    [{ method: 'chip', part: '0.toString', stock: '12', scion: '9' }],
    [{ method: 'chip', part: '0.wrap-9', stock: '12', scion: '9' }],
    [{ method: 'chip', part: '0.drawing', stock: '-3', scion: 'x' }],
    [{}],
  ] as Record<string, string>[][])('%j is no drawing, and said to be none', async (query) => {
    await expect(drawingFileOf('elsewhere.svg', query!, true)).rejects.toThrow('not found');
  });
});

describe('rules of drawings', () => {
  const css = readFileSync('app/globals.css', 'utf8');
  it.each(['page', 'dim', 'sun'] as const)('for %s name every role with a colour, and no variable', (theme) => {
    const rules = drawingRules(css, theme);
    for (const role of ['bark', 'wood', 'green', 'knife', 'daylight', 'wrap', 'callus'])
      expect(rules).toContain(`.r-${role}`);
    expect(rules).not.toMatch(/var\(|none;?stroke:none|\.drawing|\.dim/);
  });
  it('have the theme win over the page', () => {
    expect(drawingRules(css, 'dim').lastIndexOf('.r-bark{')).toBeGreaterThan(
      drawingRules(css, 'page').indexOf('.r-bark{'),
    );
    expect(drawingRules(css, 'dim')).toContain('#8b6c48');
    expect(drawingRules(css, 'page')).not.toContain('#8b6c48');
  });
});
