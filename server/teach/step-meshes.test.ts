import { beforeAll, describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { refusalOf, testClub, type TestClub } from '@/server/testing/test-club';
import { stepMeshes } from './step-meshes';

let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});
const calipers = ({ shownWith }: (typeof METHODS)[number]): Record<string, string> => ({
  stock: String(shownWith.stock),
  scion: String(shownWith.scion),
});

describe('a step as bodies that are turned in the browser', () => {
  it.each(METHODS.map((method) => [method.id, method] as const))(
    'of %s is there for each of its steps',
    async (id, method) => {
      const { steps } = shownTechnique(method);
      for (const step of [steps[0]!, steps.at(-1)!]) {
        const parts = await stepMeshes(club.as('viewer'), id, step.id, calipers(method));
        const figures = JSON.stringify(parts);
        expect(figures.length, step.id).toBeGreaterThan(500);
        expect(figures).not.toMatch(/null|NaN/);
      }
    },
  );
  it('is made once for a class that turns the same one', async () => {
    const [method] = METHODS as [(typeof METHODS)[number]];
    const step = shownTechnique(method).steps.at(-1)!.id;
    const [first, second] = await Promise.all([
      stepMeshes(club.as('viewer'), method.id, step, calipers(method)),
      stepMeshes(club.as('assistant'), method.id, step, calipers(method)),
    ]);
    expect(second).toBe(first);
    const thicker = await stepMeshes(club.as('viewer'), method.id, step, { stock: '14', scion: '13' });
    expect(thicker).not.toEqual(first);
  });
  it('of a step or method that is none is not found', async () => {
    const [method] = METHODS as [(typeof METHODS)[number]];
    for (const [id, step] of [
      [method.id, 'nothing'],
      [method.id, 'constructor'],
      ['nothing', 'bind'],
    ] as const)
      expect(
        await refusalOf(Promise.resolve().then(() => stepMeshes(club.as('viewer'), id, step, calipers(method)))),
      ).toMatchObject({ refusal: 'not-found' });
  });
});
