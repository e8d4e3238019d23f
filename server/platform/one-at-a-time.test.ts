import { describe, expect, it } from 'vitest';
import { oneAtATime } from './one-at-a-time';

const later = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

describe('jobs of one name', () => {
  it('run one after the other in the order they came, and a failed one keeps none back', async () => {
    const said: string[] = [];
    const job = (name: string, ms: number) => async () => {
      said.push(`${name} begins`);
      await later(ms);
      said.push(`${name} ends`);
      if (name === 'b') throw new Error('b failed');
      return name;
    };
    const outcomes = await Promise.allSettled([
      oneAtATime('x', job('a', 20)),
      oneAtATime('x', job('b', 5)),
      oneAtATime('x', job('c', 1)),
    ]);
    expect(said).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
    expect(outcomes.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
  });
  it('do not wait for those of another name', async () => {
    const said: string[] = [];
    await Promise.all([
      oneAtATime('x', async () => {
        await later(30);
        said.push('x');
      }),
      oneAtATime('y', () => {
        said.push('y');
        return Promise.resolve();
      }),
    ]);
    expect(said).toEqual(['y', 'x']);
  });
});
