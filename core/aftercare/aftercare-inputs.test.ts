import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import { changeInput, makeInput, unionInput } from './keeper-input';
import { LEAST_TAG, MOST_TAG } from './tag-size';
import { tagsInput } from './tags-input';

const METHODS = ['chip', 'cleft'];
const OWN_ID = '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e5f';

describe('keepers', () => {
  it('are made of wood and stock there is', () => {
    expect(refusals(makeInput(METHODS), { woodLotId: OWN_ID, stockLotId: OWN_ID })).toEqual({});
    expect(refusals(makeInput(METHODS), { woodLotId: '' })).toEqual({
      woodLotId: 'Choose a wood lot.',
      stockLotId: 'Choose a stock lot.',
    });
  });
  it('are changed a thousand at a time, and only by what was sent', () => {
    expect(taken(changeInput(METHODS), { plantIds: [OWN_ID], voided: true })).toEqual({
      plantIds: [OWN_ID],
      reason: '',
      voided: true,
    });
    expect(refusals(changeInput(METHODS), { plantIds: [] })).toEqual({ plantIds: 'Choose at least one keeper.' });
    expect(refusals(changeInput(METHODS), { plantIds: Array(1001).fill(OWN_ID) })).toEqual({
      plantIds: 'Choose 1000 keepers at most.',
    });
  });
  it('are of a method there is, made on a day there was, with the help of somebody or nobody', () => {
    const refused = (change: object) => refusals(changeInput(METHODS), { plantIds: [OWN_ID], ...change });
    expect(refused({ method: 'chip', madeOn: '2027-03-06', helper: `member ${OWN_ID}` })).toEqual({});
    expect(refused({ helper: 'none' })).toEqual({});
    // As a form leaves what nobody changed.
    expect(refused({ method: '', madeOn: '', helper: '' })).toEqual({});
    expect(refused({ helper: 'somebody' })).toEqual({ helper: 'Choose whose help it was made with again.' });
    expect(refused({ method: 'glue' })).toEqual({ method: 'Choose a method from the list.' });
    expect(refused({ madeOn: '2027-02-30' })).toHaveProperty('madeOn');
    expect(refusals(makeInput(METHODS), { woodLotId: OWN_ID, stockLotId: OWN_ID, each: 61 })).toEqual({
      each: 'How many each must be 60 or less.',
    });
  });
  it('carry another union at a place there is', () => {
    expect(refusals(unionInput(METHODS), { method: 'chip', position: 'upper' })).toEqual({});
    expect(refusals(unionInput(METHODS), { method: 'chip', position: 'beside' })).toEqual({
      position: 'Choose where it sits.',
    });
  });
});

describe('a sheet of tags', () => {
  it('has tags of 60 by 25 mm unless others are asked for', () => {
    expect(taken(tagsInput('mm'), {})).toEqual({ paper: 'A4', width: 60, height: 25, code: '' });
    expect(taken(tagsInput('mm'), { width: '50', height: '22,5', paper: 'Letter' })).toMatchObject({
      width: 50,
      height: 22.5,
      paper: 'Letter',
    });
  });
  it('has no tag too small for its code or too large for the sheet', () => {
    expect(refusals(tagsInput('mm'), { width: LEAST_TAG.width - 1, height: MOST_TAG.height + 1 })).toEqual({
      width: 'A tag needs a width of 50 mm or more for its code and its QR code.',
      height: 'A tag has a height of 80 mm at most.',
    });
    expect(refusals(tagsInput('in'), { width: 10 }).width).toBe(
      'A tag needs a width of 1.97 in or more for its code and its QR code.',
    );
    expect(refusals(tagsInput('mm'), { width: 'wide' })).toEqual({ width: 'Enter the width of the tag in mm.' });
  });
});
