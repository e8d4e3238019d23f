import { array, object, string } from 'yup';
import { describe, expect, it } from 'vitest';
import { count, isoDate, text } from '@/core/inputs/fields';
import { parse } from './parse';
import { UseCaseError } from './use-case-error';

const schema = object({
  name: text('the name', 10),
  seats: array(object({ number: count('the number', 1, 40) })).default([]),
});

function refusal(input: unknown): UseCaseError {
  try {
    parse(schema, input);
  } catch (error) {
    if (error instanceof UseCaseError) return error;
    throw error;
  }
  throw new Error('It was taken.');
}

describe('parse', () => {
  it('gives what the schema has, and drops what it has not', () => {
    expect(parse(schema, { name: ' Isle ', seats: [{ number: '7', colour: 'red' }], role: 'lead' })).toEqual({
      name: 'Isle',
      seats: [{ number: 7 }],
    });
  });
  it('refuses with every field, and in words with the first', () => {
    const error = refusal({ name: '', seats: [{ number: 1 }, { number: 41 }, { number: 'x' }] });
    expect(error.refusal).toBe('invalid');
    expect(error.message).toBe('Enter the name.');
    expect(error.fields).toEqual({
      name: 'Enter the name.',
      'seats[1].number': 'The number must be 40 or less.',
      'seats[2].number': 'Enter the number as a number.',
    });
  });
  it('says of a field first that it is missing, and not what its form ought to be', () => {
    const dated = object({ day: isoDate('the day') });
    expect(() => parse(dated, { day: '' }, new Date())).toThrow(
      expect.objectContaining({ fields: { day: 'Enter the day.' } }),
    );
  });
  it.each([[null], [undefined], ['text'], [3], [[]]])('refuses %j where an object is asked for', (input) => {
    expect(refusal(input).refusal).toBe('invalid');
  });
  it('lets a fault of the schema itself through: it is ours, not the sender’s', () => {
    const faulty = object({
      name: string().test('faulty', () => {
        throw new TypeError('ours');
      }),
    });
    expect(() => parse(faulty, { name: 'Isle' })).toThrow(TypeError);
  });
});
