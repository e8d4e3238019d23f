import { written } from '@/core/units/prose';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique, woodOf } from '@/core/methods/shown-technique';
import { defaultRule } from '@/core/score/rubric/judge-union';
import { stepBodies } from '@/core/teach/step-bodies';
import { stepSheets } from '@/core/teach/step-sheets';
import { rendered } from '../testing/rendered';
import { MethodAfter, MethodFacts } from './method-facts';
import { StepList } from './step-list';

const plain = (text: string): string => text.replaceAll("'", '’').replaceAll(' ', ' ');

describe.each(METHODS.map((method) => [method.id, method] as const))('the page of %s', (_id, method) => {
  const steps = stepSheets(method, {}, woodOf(method.shownWith), 'mm');
  const bodies = stepBodies(method, {}, woodOf(method.shownWith), 'mm').map((draw) => draw());
  it('has each step with what to look for, what goes wrong, and its drawings', () => {
    const { words, html } = rendered(<StepList steps={steps} bodies={bodies} />);
    for (const [i, step] of steps.entries()) {
      expect(words).toContain(plain(`${i + 1}. ${step.action}`));
      expect(words).toContain(plain(`Look for: ${step.lookFor}`));
      expect(words).toContain(plain(`Goes wrong: ${step.wrong.what} ${step.wrong.looks}`));
      if (step.caution) expect(words).toContain(plain(`${step.caution.title}. ${step.caution.text}`));
      if (step.blocks) expect(words).toContain(plain(`Often forgotten. ${step.blocks}`));
      expect(html).toContain(`id="step-${step.id}"`);
    }
    const cut = steps.filter(({ noCut }) => !noCut);
    // Each as a body, those with a cut in their true lengths too, and gone wrong where that can be drawn.
    expect(html.match(/<figure/g)).toHaveLength(
      steps.length +
        cut.length +
        steps.filter(({ lines }) => lines).length +
        steps.filter(({ wrongDrawing }) => wrongDrawing).length,
    );
  });
  it('tells when and on what it is done, in the reader’s unit', () => {
    const { words } = rendered(<MethodFacts method={method} tools={shownTechnique(method).tools} unit="in" />);
    for (const part of [
      method.use.when,
      method.earlySign,
      method.failureSign,
      ...shownTechnique(method).tools.map(({ name }) => name),
    ])
      expect(words).toContain(plain(part));
    expect(words).toMatch(/Stock ?(\d+ )?\d+(\/\d+)? to (\d+ )?\d+(\/\d+)? in/);
  });
  it('is judged by the club’s rubric, all its weights together 100', () => {
    const rule = { ...defaultRule(method), words: { clean: { name: 'Hygiene', good: 'blade wiped between plants' } } };
    const { words, html } = rendered(
      <MethodAfter
        method={method}
        technique={shownTechnique(method)}
        wood={woodOf(method.shownWith)}
        rule={rule}
        unit="mm"
      />,
    );
    expect(words).toContain('Hygiene');
    expect(words).toContain('blade wiped between plants');
    const weights = [...html.matchAll(/<span class="tabular-nums">(\d+(?:\.\d+)?)<\/span>/g)].map(([, weight]) =>
      Number(weight),
    );
    expect(weights.reduce((a, b) => a + b, 0)).toBeCloseTo(100, 9);
    for (const { name } of shownTechnique(method).aftercare) expect(words).toContain(plain(written(name, 'mm')));
  });
});
