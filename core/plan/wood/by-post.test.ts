import { describe, expect, it } from 'vitest';
import { ARRIVALS, type ByPost, postInOrder, postWarning, postWords } from './by-post';

const post = (changes: Partial<ByPost> = {}): ByPost => ({
  orderedOn: '2027-01-04',
  sentOn: null,
  arrivedOn: null,
  arrival: '',
  ...changes,
});
const NOT_BY_POST = post({ orderedOn: null });

describe('wood by post', () => {
  it('says nothing of wood that was cut here', () => {
    expect(postWarning('Grey Heron', NOT_BY_POST, '2027-03-06')).toBeNull();
    expect(postWords(NOT_BY_POST)).toBeNull();
  });
  it('is minded until it is sent, until it arrives, and until somebody looked at it', () => {
    expect(postWarning('Grey Heron', post(), '2027-03-06')!.says).toContain('not sent yet');
    const sent = post({ sentOn: '2027-01-20' });
    expect(postWarning('Grey Heron', sent, '2027-01-25')!.says).toMatch(/has not arrived\.$/);
    expect(postWarning('Grey Heron', sent, '2027-02-06')!.says).toContain('over two weeks later');
    expect(postWarning('Grey Heron', post({ arrivedOn: '2027-01-28' }), '2027-03-06')!.remedy).toContain(
      'Trim both ends',
    );
  });
  it('is stopped only when it is brown, and fine when it is green', () => {
    const levels = ARRIVALS.map(
      (arrival) => postWarning('Grey Heron', post({ arrivedOn: '2027-01-28', arrival }), '2027-03-06')?.level ?? null,
    );
    expect(levels).toEqual([null, 'care', 'care', 'stop']);
    expect(postWords(post({ arrivedOn: '2027-01-28', arrival: 'limp' }))).toContain('limp, green under the bark');
  });
  it('goes forward in time', () => {
    expect(postInOrder(post({ sentOn: '2027-01-03' }))).toBe(false);
    expect(postInOrder(post({ arrivedOn: '2027-01-03' }))).toBe(false);
    expect(postInOrder(post({ sentOn: '2027-01-04', arrivedOn: '2027-01-04' }))).toBe(true);
  });
});
