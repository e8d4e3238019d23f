import { describe, expect, it } from 'vitest';
import { sameNumber, textedFrom, writtenTo } from './written-to';

describe('how somebody is written to', () => {
  it('is by mail, else by text message, else not at all', () => {
    expect(writtenTo({ email: 'ona@reed.example', phone: '+99 70 114' })).toEqual({
      address: 'ona@reed.example',
      byText: false,
    });
    expect(writtenTo({ email: null, phone: '+99 (70) 11-4' })).toEqual({
      address: '+9970114@texts.pear-bench.invalid',
      byText: true,
    });
    for (const phone of [null, '', 'at the mill', '12', '1'.repeat(16)])
      expect(writtenTo({ email: null, phone })).toBeNull();
  });
  it('is known again when a message comes from there, and from no other address', () => {
    expect(textedFrom(writtenTo({ email: null, phone: '070 55 12 34' })!.address)).toBe('070551234');
    expect(textedFrom('+9970114@reed.example')).toBeNull();
    expect(textedFrom('x@texts.pear-bench.invalid')).toBeNull();
    expect(sameNumber('+99 70 114', '9970114')).toBe(true);
    expect(sameNumber('+99 70 115', '9970114')).toBe(false);
    expect(sameNumber(null, '9970114')).toBe(false);
  });
});
