import { describe, expect, it } from 'vitest';
import { METHODS } from '../methods/registry';
import { shownTechnique, woodOf } from '../methods/shown-technique';
import { daySteps } from './day-steps';
import { stepBodies } from './step-bodies';

const [first, second] = METHODS as [(typeof METHODS)[number], (typeof METHODS)[number]];

describe('the steps of a day', () => {
  it('are those of one method under their own names', () => {
    const steps = daySteps([first], {}, 'mm');
    expect(steps.map(({ id }) => id)).toEqual(shownTechnique(first).steps.map(({ id }) => id));
    expect(new Set(steps.map(({ method }) => method))).toEqual(new Set([first.name]));
    expect(steps.every(({ id, stepId }) => id === stepId)).toBe(true);
  });
  it('follow one another in the order the methods are taught, each under a name of its own', () => {
    const steps = daySteps(METHODS, {}, 'mm');
    expect(steps).toHaveLength(METHODS.reduce((sum, method) => sum + shownTechnique(method).steps.length, 0));
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    const order = steps.map(({ methodId }) => methodId).filter((id, i, all) => id !== all[i - 1]);
    expect(order).toEqual(METHODS.map(({ id }) => id));
    // Questions are noted at the step a method calls so, whatever day it is taught on.
    for (const { id, stepId, methodId } of steps) expect(id).toBe(`${methodId}-${stepId}`);
  });
  it('are the other way round when the day is', () => {
    const order = daySteps([second, first], {}, 'mm').map(({ methodId }) => methodId);
    expect([order[0], order.at(-1)]).toEqual([second.id, first.id]);
  });
  it('have their bodies beside them where those were drawn, and none where not', () => {
    const bodies = stepBodies(first, {}, woodOf(first.shownWith), 'mm').map((draw) => draw());
    const steps = daySteps([first, second], {}, 'mm', [bodies]);
    const [own, others] = [
      steps.filter(({ methodId }) => methodId === first.id),
      steps.filter(({ methodId }) => methodId === second.id),
    ];
    expect(own.map(({ body }) => body)).toEqual(bodies);
    expect(others.every(({ body }) => body === null)).toBe(true);
  });
  it('follow the school that was chosen, and the unit of whoever reads', () => {
    const schooled = METHODS.find((method) =>
      method.schools.some((question) =>
        question.options.some(
          (option) =>
            JSON.stringify(daySteps([method], { [question.id]: option.id }, 'mm')) !==
            JSON.stringify(daySteps([method], {}, 'mm')),
        ),
      ),
    );
    expect(schooled).toBeDefined();
    const words = (unit: 'mm' | 'in'): string =>
      daySteps(METHODS, {}, unit)
        .flatMap(({ action, lookFor, wrong }) => [action, lookFor, wrong.what, wrong.looks])
        .join(' ');
    expect(words('mm')).toMatch(/\d mm\b/);
    expect(words('in')).not.toMatch(/\d\s?mm\b/);
    expect(words('in')).toMatch(/\d in\b/);
  });
  it('are none where nothing is taught', () => {
    expect(daySteps([], {}, 'mm')).toEqual([]);
  });
});
