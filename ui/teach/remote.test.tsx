import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { daySteps } from '@/core/teach/day-steps';
import { stepAnswers } from '@/core/teach/questions/step-answers';
import type { TeachingState } from '@/core/teach/teaching-state';
import { rendered } from '@/ui/testing/rendered';
import { Remote } from './remote';

const taught = METHODS.slice(0, 2);
const steps = daySteps(taught, {}, 'mm');
const answers = Object.fromEntries(
  taught.map((method) => [method.id, stepAnswers(method, {}, woodOf(method.shownWith), 'mm')]),
);
const BEGUN: TeachingState = { seq: 1, step: 0, panel: 'right', blank: false, briefing: false, timer: null };
const remote = (changes: Partial<ComponentProps<typeof Remote>> = {}, state: Partial<TeachingState> = {}) =>
  rendered(
    <Remote
      workshopId="w"
      title="Bench day"
      steps={steps}
      asked={[]}
      answers={answers}
      initial={{ ...BEGUN, ...state }}
      mayChange
      {...changes}
    />,
  );
const disabled = (html: string, words: string): boolean =>
  new RegExp(`<button[^>]*disabled=""[^>]*>${words}<`).test(html);

describe('the phone that turns the wall’s pages', () => {
  it('shows the step that is on the wall with what to look for and what goes wrong, and the next one', () => {
    const { words } = remote({}, { step: 2 });
    const [step, next] = [steps[2]!, steps[3]!];
    expect(words).toContain(`3 of ${steps.length}`);
    for (const part of [step.action, step.lookFor, step.wrong.what, `Next: ${next.action}`])
      expect(words.replaceAll(/\s+/g, ' ')).toContain(part.replaceAll("'", '’').replaceAll(/\s+/g, ' '));
  });
  it('goes no further back than the first step, and no further on than the last', () => {
    const [first, last] = [remote(), remote({}, { step: steps.length - 1 })];
    expect([disabled(first.html, 'Back'), disabled(first.html, 'Next')]).toEqual([true, false]);
    expect([disabled(last.html, 'Back'), disabled(last.html, 'Next')]).toEqual([false, true]);
    expect(last.words).toContain('That was the last step.');
    // A plan that became shorter meanwhile leaves the last one there is.
    expect(remote({}, { step: 500 }).words).toContain(`${steps.length} of ${steps.length}`);
  });
  it('jumps between the methods of a day of several, and offers no jump on a day of one', () => {
    const { html } = remote({}, { step: steps.findIndex(({ methodId }) => methodId === taught[1]!.id) });
    expect(html).toMatch(new RegExp(`aria-pressed="false"[^>]*>${taught[0]!.name}<`));
    expect(html).toMatch(new RegExp(`aria-pressed="true"[^>]*>${taught[1]!.name}<`));
    const own = daySteps(taught.slice(0, 1), {}, 'mm');
    expect(remote({ steps: own }).html).not.toContain('aria-label="Method on the wall"');
  });
  it('says whether the wall is blank or shows the briefing, and leads back', () => {
    expect(remote({}, { blank: true }).words).toContain(', blank');
    expect(remote({}, { blank: true }).buttons).toContain('Show again');
    expect(remote({}, { briefing: true }).words).toContain(', safety briefing');
    expect(remote({}, { briefing: true }).buttons).toContain('Back to the steps');
    expect(remote({}, { panel: 'both' }).buttons).toContain('Right only');
    expect(remote({}, { panel: 'right' }).buttons).toContain('Wrong beside right');
  });
  it('offers run-downs, and stops only one that runs', () => {
    const { buttons, html } = remote();
    expect(buttons).toEqual(expect.arrayContaining(['1 min', '3 min', '5 min', '10 min']));
    expect(disabled(html, 'Stop')).toBe(true);
  });
  it('says that the line is not there until it is, and what whoever may only look may not', () => {
    const { words, buttons } = remote({ mayChange: false });
    expect(words).toContain('only the lead or an assistant may turn the pages');
    expect(buttons).toEqual([]);
    expect(words).toContain(steps[0]!.action.replaceAll("'", '’'));
  });
});
