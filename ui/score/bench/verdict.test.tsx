import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { bestCorrections } from '@/core/score/rubric/best-corrections';
import { defaultRule, judgeUnion, type Marks } from '@/core/score/rubric/judge-union';
import { benchState, judgement, union } from './testing/bench-state';
import { rendered } from '@/ui/testing/rendered';
import { Attempts } from './attempts';
import { LikelyDoubles } from './likely-doubles';
import { Verdict } from './verdict';

const whip = METHODS[0]!;
const rule = defaultRule(whip);
function verdict(changes: Parameters<typeof exampleMeasures>[1] = {}, marks: Marks = {}, unit: 'mm' | 'in' = 'mm') {
  const measures = exampleMeasures(whip, changes);
  const judged = judgeUnion(whip, rule, measures, marks, 'joined');
  return {
    judged,
    ...rendered(
      <Verdict
        judged={judged}
        best={whip.best(judged.figures)}
        corrections={bestCorrections(whip, rule, measures, marks, 'joined')}
        outside={null}
        last={null}
        called="4-2"
        unit={unit}
      />,
    ),
  };
}

describe('the verdict', () => {
  it('has the score, what touches, and nothing to correct on a clean union', () => {
    const { words } = verdict();
    expect(words).toContain('100of 100');
    expect(words).toContain('Nothing to correct. Next time the same again.');
    expect(words).toContain('Last attempt None yet');
  });
  it('names what is fatal, and the movement that mends it first, with the score it would give', () => {
    const { words, judged } = verdict({ scionDiameter: 7, scionBark: 0.8, placement: 'middle' }, { hold: 'fatal' });
    expect(judged.fatal).toEqual(expect.arrayContaining(['cambium', 'hold']));
    expect(words).toContain('Fatal: cambium, hold');
    expect(words).toMatch(/would be \d+/);
  });
  it('speaks the reader’s unit', () => {
    expect(verdict({ scionHollow: 0.3 }, {}, 'mm').words).toContain('0.3 mm hollow');
    expect(verdict({ scionHollow: 0.3 }, {}, 'in').words).toMatch(/0\.01\d* in hollow/);
  });
  it('asks for the figures while there are none', () => {
    expect(
      rendered(
        <Verdict
          judged={null}
          best={null}
          corrections={[]}
          outside={null}
          last={union(4, 1, 83)}
          called="4-2"
          unit="mm"
        />,
      ).words,
    ).toMatch(/–of 100 The figures first.*Last attempt.*83/);
  });
});

describe('the attempts of a seat', () => {
  const attempts = (mayChange: boolean) =>
    rendered(
      <Attempts
        workshopId="w"
        title="Attempts of seat 4"
        calledOf={({ number }) => `4-${number}`}
        nameOf={null}
        mayChange={mayChange}
        onCorrect={() => undefined}
        unions={[
          union(4, 1, 71, { earlier: [65, 60] }),
          {
            ...union(4, 2, 90),
            judgements: [
              judgement('ju4-2', 90),
              judgement('b', 80, { assessor: 'Joss', blind: true }),
              judgement('c', 40, { assessor: 'Edda', waits: true }),
            ],
          },
        ]}
      />,
    );
  it('stand latest first, each judgement with its assessor, what it was before, and what waits', () => {
    const { words } = attempts(true);
    expect(words).toMatch(
      /4-2.*90.*Maren.*4-2.*80.*Joss, second assessor.*4-2.*40.*Edda, does not count, on this device only.*4-1.*71.*Maren, was 65, before that 60/,
    );
  });
  it('are corrected by those who may, and opened once the server has them', () => {
    const { buttons, html } = attempts(true);
    expect(buttons.filter((label) => label.startsWith('Correct'))).toHaveLength(4);
    expect(html.match(/score\/unions\//g)).toHaveLength(3);
    expect(attempts(false).buttons).toEqual([]);
  });
});

describe('likely doubles', () => {
  const doubled = {
    ...union(1, 2, 90),
    likelyDouble: true,
    judgements: [judgement('ju1-2', 90), judgement('b', 61, { assessor: 'Joss' })],
  };
  it('are offered for merging or parting, with both scores and who gave them', () => {
    const { words, buttons } = rendered(
      <LikelyDoubles state={benchState(2, { unions: [doubled] })} onSettled={async () => undefined} />,
    );
    expect(words).toContain('1-2 was judged 2 times: 90 by Maren, 61 by Joss. Nothing is lost; which is it?');
    expect(buttons).toEqual([
      'One union, Maren’s 90 counts',
      'One union, Joss’s 61 counts',
      'Two unions, the later one gets the next number',
    ]);
  });
  it('are not spoken of while there are none', () => {
    expect(
      rendered(<LikelyDoubles state={benchState(2, { unions: [union(1, 1, 80)] })} onSettled={async () => undefined} />)
        .html,
    ).toBe('');
  });
});
