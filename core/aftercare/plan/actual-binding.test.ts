import { describe, expect, it } from 'vitest';
import { methodById } from '../../methods/registry';
import { shownTechnique } from '../../methods/shown-technique';
import { BINDING_IDS, BINDINGS, bindingOf, boundWith, withActualBinding } from './actual-binding';

const { aftercare, materials } = shownTechnique(methodById('whip-and-tongue'));
const usual = materials.map(({ id }) => id);
const off = (used: string[], choices = {}) =>
  withActualBinding(aftercare, choices, usual, used).filter(({ id }) => id === 'binding-off');

describe('what a union was really bound with', () => {
  it('is the tape, not the film over the scion nor the band that held for the moment', () => {
    expect(bindingOf(usual)).toBe('stretch-tape');
    expect(bindingOf(['film', 'band', 'insulating-tape'])).toBe('insulating-tape');
    expect(bindingOf(['film', 'label'])).toBe('film');
    expect(bindingOf(['label'])).toBeNull();
  });
  it('sets what comes off and when; what was bound as usual keeps its method’s rule', () => {
    expect(withActualBinding(aftercare, {}, usual, usual)).toEqual(aftercare);
    expect(off(boundWith(usual, 'vinyl-tape'))[0]!.trigger).toMatchObject({ kind: 'phase', phase: 'late-winter' });
    expect(off(boundWith(usual, 'vinyl-tape'), { 'tape-off': 'months' })[0]!.trigger).toMatchObject({ best: 60 });
    expect(off(boundWith(usual, 'heavy-tape'))[0]!.trigger).toMatchObject({ earliest: 90, latest: 120 });
    expect(off(boundWith(usual, 'masking-tape'))).toEqual([]);
  });
  it('leaves one thing to come off for every binding that does', () => {
    for (const id of BINDING_IDS)
      expect(off(boundWith(usual, id)).length, id).toBe(BINDINGS[id].off({}) === null ? 0 : 1);
  });
});
