import { describe, expect, it } from 'vitest';
import type { ModelView, WeightsView } from '@/core/findings/boards/model-views';
import { weightsSentence } from '@/core/findings/sentences/weights-sentence';
import { rendered } from '@/ui/testing/rendered';
import { WeightsPanel } from './weights-panel';

const tried = { brierNow: 0.11132, brierThen: 0.10852, error: 0.00042, workshops: 3, between: {} };
const weights = { hold: 30, seal: 70 };
const done = (proposed: WeightsView['proposed']): ModelView<WeightsView> => ({
  state: 'done',
  id: 'a1',
  view: {
    ...tried,
    known: 128,
    proposed,
    sentence: weightsSentence({ ...tried, weights: proposed && weights }, 128, 'Bark graft'),
  },
});
const proposed = [
  { point: 'hold', name: 'Hold', now: 8, then: 30, low: 10, high: 40 },
  { point: 'seal', name: 'Seal', now: 92, then: 70, low: 10, high: 40 },
];
const shown = (view: ModelView<WeightsView> | null, mayTry = true) =>
  rendered(<WeightsPanel view={view} failed={false} again={() => {}} onTry={mayTry ? () => {} : null} />);

describe('weights that fates propose', () => {
  it('stand beside those of now, with how much better they foretell', () => {
    const { words, buttons } = shown(done(proposed));
    expect(words).toContain('Brier score 0.1085 instead of 0.1113, a fall of 0.0028 ± 0.0004');
    expect(words).toMatch(/Hold\s*8\s*30/);
    expect(buttons).toEqual(['Try these weights']);
  });
  it('are tried only by whoever may change a rubric', () => {
    expect(shown(done(proposed), false).buttons).toEqual([]);
  });
  it('are none where those of now do as well', () => {
    const { html, words, buttons } = shown(done(null));
    expect(words).toContain('No other weights are proposed for bark graft');
    expect(html).not.toContain('<table');
    expect(buttons).toEqual([]);
  });
  it('are waited for, or say what is missing', () => {
    expect(shown({ state: 'reckoning', share: 0.4 }).words).toContain('Being reckoned.');
    const sentence = 'About 12 more answers would do.';
    expect(shown({ state: 'missing', sentence, missing: { known: 4, rarer: 1, missing: 12 } }).words).toContain(
      sentence,
    );
  });
});
