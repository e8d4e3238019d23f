import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { FATAL_CAP } from '@/core/score/rubric/score-union';
import { THRESHOLD_WORDS } from '@/core/methods/thresholds';
import { rendered } from '@/ui/testing/rendered';
import { PreviewWords } from './preview-words';
import { editedPoint } from './edited-point';
import { RubricEditor } from './rubric-editor';

function editor(method: (typeof METHODS)[number], changes: Partial<ComponentProps<typeof RubricEditor>> = {}) {
  return rendered(
    <RubricEditor
      workshopId="w"
      method={method.id}
      version={0}
      edits={{}}
      usualCap={FATAL_CAP}
      thresholds={method.thresholds}
      points={pointsOf(method).map((point) => editedPoint(point, 'mm'))}
      unit="mm"
      role="lead"
      scoredOtherwise={0}
      {...changes}
    />,
  );
}
const labels = (html: string): string[] =>
  [...html.matchAll(/<input[^>]*aria-label="([^"]*)"/g)].map(([, label]) => label!.replaceAll('&#x27;', '’'));

describe.each(METHODS.map((method) => [method.id, method] as const))('the rubric of %s', (_id, method) => {
  it('has a weight for each point, a cap where something is fatal, and each threshold, together 100', () => {
    const { html, words } = editor(method);
    const points = pointsOf(method);
    const all = labels(html);
    for (const { name } of points) expect(all).toContain(`Weight of ${name.replaceAll("'", '’')}`);
    expect(all.filter((label) => label.startsWith('Cap of ') && label !== 'Cap of a fatal fault')).toHaveLength(
      points.filter(({ faults }) => faults.some(({ grade }) => grade === 'fatal')).length,
    );
    for (const id of method.thresholds) expect(all).toContain(THRESHOLD_WORDS[id].name.replaceAll("'", '’'));
    expect(/data-testid="sum">([^<]*)</.exec(html)![1]).toBe('100');
    expect(words).toContain('as it should be');
  });
});

describe('an edited rubric', () => {
  const whip = METHODS[0]!;
  it('tells the lead how many unions were scored otherwise, and nobody where there are none', () => {
    expect(editor(whip, { scoredOtherwise: 3 }).words).toContain('3 unions of this workshop stand as they were scored');
    expect(editor(whip, { scoredOtherwise: 1 }).words).toContain('1 union of this workshop stands as it was scored');
    expect(editor(whip).words).not.toContain('scored before');
    expect(editor(whip, { scoredOtherwise: 3, role: 'assistant' }).words).not.toContain('scored before');
  });
  it('says by how much its weights are off, and cannot be saved then', () => {
    const over = editor(whip, { edits: { weights: { hold: 12.5 } } });
    expect(over.words).toContain('4.5 too many: they have to add up to 100');
    expect(/<button[^>]*disabled[^>]*>Save the rubric</.test(over.html)).toBe(true);
    expect(editor(whip, { edits: { weights: { hold: 6 } } }).words).toContain('2 too few');
    expect(/<button[^>]*disabled[^>]*>Save the rubric</.test(editor(whip).html)).toBe(false);
  });
  it('shows the club’s words, caps and thresholds, shares as percent', () => {
    const { words, html } = editor(whip, {
      edits: {
        words: { hold: { name: 'Shake', good: 'stays put' } },
        caps: { hold: 20 },
        fatalCap: 30,
        thresholds: { matched: 0.65 },
      },
    });
    expect(words).toContain('Shake stays put');
    const valueOf = (label: string): string | undefined =>
      new RegExp(`<input[^>]*aria-label="${label}"[^>]*value="([^"]*)"`).exec(html)?.[1];
    expect([valueOf('Cap of Hold'), valueOf('Cap of a fatal fault'), valueOf(THRESHOLD_WORDS.matched.name)]).toEqual([
      '20',
      '30',
      '65',
    ]);
  });
  it('is tried by assistants and saved by the lead', () => {
    expect(editor(whip, { role: 'assistant' }).buttons).toEqual(expect.arrayContaining(['Try it on past unions']));
    expect(editor(whip, { role: 'assistant' }).buttons.join()).not.toContain('Save');
    expect(editor(whip, { role: 'viewer' }).words).toContain('Only the lead changes a rubric.');
    expect(editor(whip, { role: 'viewer' }).buttons.join()).not.toContain('Try');
  });
});

describe('what past unions would have scored', () => {
  it('is told in figures, those who would no longer be ready loudly', () => {
    const { words, html } = rendered(
      <PreviewWords
        preview={{
          unions: 52,
          people: 14,
          mean: { now: 81.26, then: 78.04 },
          rises: 3,
          falls: 20,
          readyNow: 7,
          readyThen: 5,
          lost: 3,
          gained: 1,
        }}
      />,
    );
    expect(words).toContain(
      'Unions, of 14 people 52 Mean score 81.3 to 78.0 Rise, fall 3, 20 Ready 7 to 5 Ready, and would not be 3 Not ready, and would be 1',
    );
    expect(html).toContain('text-loud');
  });
  it('is told as nothing where there is nothing', () => {
    expect(
      rendered(
        <PreviewWords
          preview={{
            unions: 0,
            people: 0,
            mean: null,
            rises: 0,
            falls: 0,
            readyNow: 0,
            readyThen: 0,
            lost: 0,
            gained: 0,
          }}
        />,
      ).words,
    ).toContain('nothing to try it on');
  });
});
