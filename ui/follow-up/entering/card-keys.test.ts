import { describe, expect, it } from 'vitest';
import type { AnswerCard } from '@/core/follow-up/entering/answer-card';
import { cardKeys, type TypedCard, withKey } from './card-keys';

const option = (id: string, ...against: string[]) => ({ id, words: id, against });
const card = {
  groups: [
    {
      id: 'growth',
      words: 'It is',
      options: [option('none'), option('begun', 'dead'), option('shoot', 'dead')],
      after: '',
    },
    { id: 'leaves', words: 'Leaves', options: [option('firm', 'dead'), option('wilted')], after: 'growth:begun,shoot' },
    {
      id: 'scratch',
      words: 'Scratched',
      options: [option('green', 'dead'), option('brown', 'alive')],
      after: 'growth:none',
    },
  ],
  sayings: [
    { said: 'dead', words: 'It is dead' },
    { said: 'unsure', words: 'Not sure' },
  ],
} as unknown as AnswerCard;
const typed: TypedCard = { signs: {}, said: '', snapped: false, growth: '', growthUnit: 'mm', seenOn: '', note: '' };
const press = (keys: string): TypedCard =>
  [...keys].reduce<TypedCard>((before, key) => withKey(card, before, key) ?? before, typed);

describe('keys of an answer', () => {
  it('are digits through the signs that are asked, and letters for what is said', () => {
    expect(cardKeys(card, typed).map(({ key, option: chosen }) => `${key} ${chosen}`)).toEqual([
      '1 none',
      '2 begun',
      '3 shoot',
      'd dead',
      'u unsure',
    ]);
    expect(press('34').signs).toEqual({ growth: 'shoot', leaves: 'firm' });
    expect(press('15').signs).toEqual({ growth: 'none', scratch: 'brown' });
    expect(press('D').said).toBe('dead');
  });
  it('take what hangs on another choice back with it, and themselves when pressed again', () => {
    expect(press('341').signs).toEqual({ growth: 'none' });
    expect(press('33').signs).toEqual({});
    expect(press('dd').said).toBe('');
  });
  it('count by the last one pressed: what cannot go with it is taken off, and no more', () => {
    expect(press('3d')).toMatchObject({ signs: {}, said: 'dead' });
    expect(press('d3')).toMatchObject({ signs: { growth: 'shoot' }, said: '' });
    expect(press('15d')).toMatchObject({ signs: { growth: 'none', scratch: 'brown' }, said: 'dead' });
    expect(press('3u')).toMatchObject({ signs: { growth: 'shoot' }, said: 'unsure' });
    expect(withKey(card, { ...typed, growth: '130' }, 'd')).toMatchObject({ growth: '' });
  });
  it('are no others', () => {
    expect(withKey(card, typed, '9')).toBeNull();
    expect(withKey(card, typed, 'x')).toBeNull();
  });
});
