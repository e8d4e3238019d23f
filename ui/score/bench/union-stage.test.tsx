import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { defaultRule, judgeUnion, type Marks } from '@/core/score/rubric/judge-union';
import { rendered } from '@/ui/testing/rendered';
import { UnionStage } from './union-stage';

function stage(
  method: (typeof METHODS)[number],
  marks: Marks = {},
  props: { silent?: boolean; assumed?: boolean } = {},
) {
  const judged = judgeUnion(method, defaultRule(method), exampleMeasures(method), marks, 'joined');
  const points = judged.grades.map(({ point, grade }) => ({ point, grade, marked: marks[point.id] !== undefined }));
  return {
    points,
    ...rendered(
      <UnionStage
        assessment={judged.assessment}
        points={points}
        unit="mm"
        ghost={null}
        assumed={false}
        level={0}
        onMark={() => undefined}
        {...props}
      />,
    ),
  };
}

describe.each(METHODS.map((method) => [method.id, method] as const))('the stage of %s', (_id, method) => {
  it('has one button for each point that can be found wanting, with its letter', () => {
    const { points, html } = stage(method);
    for (const { point } of points.filter(({ point: { faults } }) => faults.length > 0)) {
      expect(html.match(new RegExp(`data-point="${point.id}"`, 'g')) ?? [], point.id).toHaveLength(1);
    }
  });
  it('lays no button of the drawing over another, and ties each to its part', () => {
    const { html } = stage(method);
    const places = [
      ...html.matchAll(/class="absolute" style="left:([\d.-]+)(?:px)?;top:([\d.-]+)(?:px)?"><button/g),
    ].map((match) => match.slice(1).map(Number) as [number, number]);
    expect(places.length).toBeGreaterThanOrEqual(4);
    for (const [i, [left, top]] of places.entries())
      for (const [x, y] of places.slice(i + 1)) if (left === x) expect(Math.abs(top - y)).toBeGreaterThanOrEqual(50);
    expect(html.match(/<circle /g)).toHaveLength(places.length);
  });
  it('says in words how a part was found', () => {
    const { points } = stage(method);
    const judged = points.find(
      ({ point }) => !point.measured && point.faults.some(({ grade }) => grade === 'poor'),
    )!.point;
    expect(stage(method, { [judged.id]: 'poor' }).words).toContain(
      judged.faults.find(({ grade }) => grade === 'poor')!.words,
    );
  });
});

describe('the stage', () => {
  const whip = METHODS[0]!;
  it('tells how the lines meet, unless that is for somebody to judge, or the figures are assumed', () => {
    expect(stage(whip).words).toContain('Lines meet: ');
    const silent = stage(whip, {}, { silent: true });
    expect(silent.words).not.toContain('Lines meet');
    expect(silent.html).not.toContain('both sides');
    expect(stage(whip, {}, { assumed: true }).words).toContain('Drawn from assumed figures');
  });
  it('turns the drawing over for a scion that stands on its head', () => {
    expect(stage(whip, { 'way-up': 'fatal' }).html).not.toBe(stage(whip).html);
  });
});
