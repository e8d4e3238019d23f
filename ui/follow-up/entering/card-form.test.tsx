import { describe, expect, it } from 'vitest';
import type { AnswerCard } from '@/core/follow-up/entering/answer-card';
import { rendered } from '@/ui/testing/rendered';
import { CardForm } from './card-form';

const card: AnswerCard = {
  unionId: 'u',
  code: 'K7M4XQ',
  variety: 'Grey Heron',
  position: '',
  stands: 'Boathouse bed, row 1',
  grower: 'Ona Ferrel',
  personId: 'p',
  phone: '',
  workshop: 'Bench day',
  madeOn: '2027-03-06',
  question: 'Is there a new shoot of 50 mm or more?',
  groups: [
    {
      id: 'growth',
      words: 'New growth',
      after: '',
      options: [
        { id: 'shoot', words: 'a shoot', against: [] },
        { id: 'none', words: 'none', against: [] },
      ],
    },
    {
      id: 'scratch',
      words: 'Under the bark',
      after: 'growth:none',
      options: [
        { id: 'green', words: 'green', against: [] },
        { id: 'brown', words: 'brown', against: [] },
      ],
    },
  ],
  sayings: [
    { said: 'alive', words: 'Yes' },
    { said: 'unsure', words: 'Not sure yet' },
    { said: 'dead', words: 'Dead' },
    { said: 'not-found', words: 'Cannot find it' },
  ],
  measured: true,
  state: 'due',
  told: 'Asked by 20 May 2027.',
};
const form = (changes: Partial<AnswerCard> = {}) =>
  rendered(
    <CardForm card={{ ...card, ...changes }} source="phone" cameOn="" today="2027-06-05" onSaved={() => undefined} />,
  );

describe('a graft to enter an answer for', () => {
  it('says which it is, whose, where it stands and what to ask', () => {
    const { words, html } = form();
    for (const part of ['K7M 4XQ', 'Grey Heron', 'Ona Ferrel', 'Boathouse bed, row 1', 'Bench day, 6 Mar 2027'])
      expect(words).toContain(part);
    expect(words).toContain('Is there a new shoot of 50 mm or more?');
    expect(words).toContain('Asked by 20 May 2027.');
    expect(html).toContain('aria-label="K7M 4XQ of Ona Ferrel"');
    expect(form({ position: 'north limb' }).words).toContain('Grey Heron, north limb');
  });
  it('has a key for each thing that can be said, digits for signs and letters for sayings', () => {
    const { html } = form();
    const keys = [...html.matchAll(/<kbd[^>]*>(\w)<\/kbd> ([^<]+)</g)].map(([, key, words]) => [key, words]);
    expect(keys).toEqual([
      ['1', 'a shoot'],
      ['2', 'none'],
      ['a', 'Yes'],
      ['u', 'Not sure yet'],
      ['d', 'Dead'],
      ['n', 'Cannot find it'],
    ]);
  });
  it('asks what hangs on an earlier sign only after it, and presets nothing', () => {
    const { words, html } = form();
    expect(words).not.toContain('Under the bark');
    expect(html).not.toContain('checked=""');
    expect(words).toContain('Or simply');
  });
  it('asks for a length only where one is told, and for no day outside the plant’s life', () => {
    const field = (html: string, label: string): string =>
      new RegExp(`<label[^>]*>(?:(?!</label>).)*${label}.*?<input([^>]*)>`).exec(html)![1]!;
    expect(field(form().html, 'Shoot')).not.toContain('disabled');
    expect(field(form({ measured: false }).html, 'Shoot')).toContain('disabled');
    const day = field(form().html, 'Seen on, if not today');
    expect(day).toContain('min="2027-03-06"');
    expect(day).toContain('max="2027-06-05"');
  });
  it('takes no answer to what cannot be seen yet, but that it died', () => {
    const { words, buttons } = form({ state: 'too-early' });
    expect(words).toContain('Nothing can be seen of it yet.');
    expect(buttons).toEqual(['K7M 4XQ is dead']);
    expect(words).not.toContain('Is there a new shoot');
    expect(form().buttons).toEqual(['Save K7M 4XQ']);
    expect(form({ state: 'tellable' }).buttons).toEqual(['Save K7M 4XQ']);
  });
});
