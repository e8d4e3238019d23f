import { describe, expect, it } from 'vitest';
import { benchState, union } from '../bench/testing/bench-state';
import { rendered } from '@/ui/testing/rendered';
import { FindPerson } from '../bench/find-person';
import { ScoringSettingsForm } from './scoring-settings-form';
import { SeatStrip } from '../bench/seat-strip';

describe('the settings of scoring', () => {
  const form = (changes = {}, mayChange = true) =>
    rendered(
      <ScoringSettingsForm
        workshopId="w"
        version={1}
        settings={{ ready: { last: 3, score: 75 }, blindRate: 0.1, wall: 'seats', ...changes }}
        mayChange={mayChange}
      />,
    );
  it('say what each does, and stand as they are set', () => {
    const { words, html, fields } = form();
    for (const part of [
      'Ready for living wood',
      'none of them with a fatal fault',
      'nobody but the first sees its score',
      'never who is behind',
    ])
      expect(words).toContain(part);
    expect([fields.get('ready.last')!.value, fields.get('ready.score')!.value]).toEqual(['3', '75']);
    expect(/<option value="0.1" selected/.test(html)).toBe(true);
    expect(/<input[^>]*type="radio"[^>]*checked[^>]*value="seats"/.test(html)).toBe(true);
  });
  it('keep a rate that is none of the usual ones', () => {
    expect(/<option value="0.35" selected[^>]*>35\u00a0%/.test(form({ blindRate: 0.35 }).html)).toBe(true);
  });
  it('are not changed by those who only look', () => {
    const { html, buttons } = form({}, false);
    expect(html.match(/<fieldset[^>]*disabled/g)).toHaveLength(3);
    expect(buttons).toEqual([]);
  });
});

describe('finding somebody', () => {
  it('is labelled, works without a camera, and lists nobody before it is asked', () => {
    const { html, buttons } = rendered(<FindPerson state={benchState(3)} onOpen={() => undefined} />);
    const [, id] = /<label for="([^"]+)"[^>]*>Find by seat, name or tag/.exec(html)!;
    expect(html).toContain(`<input id="${id}"`);
    expect(buttons).toEqual(['Scan a tag']);
  });
});

describe('the strip of seats', () => {
  it('leads to every seat, the open one marked, and says where an entry was begun', () => {
    const state = benchState(3, { unions: [union(2, 1, 80)] });
    const { html, words } = rendered(
      <SeatStrip state={state} open="s2" drafts={['s2', 's3']} onOpen={() => undefined} />,
    );
    expect([...html.matchAll(/data-seat="(\d)"/g)].map(([, seat]) => seat)).toEqual(['1', '2', '3']);
    expect(/aria-pressed="true" data-seat="2"/.test(html)).toBe(true);
    expect(html.match(/aria-pressed="true"/g)).toHaveLength(1);
    expect(words).toMatch(/1Person 1none yet ?2Person 2.*2-1: 80, both sides.*3Person 3 \(begun\)none yet/);
  });
});
