import { describe, expect, it } from 'vitest';
import { groupTwins } from './group-twins';

describe('groups of the same keepers', () => {
  const kinds = [
    {
      kind: 'lot' as const,
      groups: [
        { level: 'grey', marks: [0, 1, 2, 3, 9] },
        { level: 'copper', marks: [4, 5, 6] },
      ],
    },
    {
      kind: 'day' as const,
      groups: [
        { level: 'may', marks: [0, 1, 2, 3] },
        { level: 'june', marks: [4, 5, 6, 7, 8] },
      ],
    },
    {
      kind: 'variety' as const,
      groups: [
        { level: 'Grey', marks: [0, 1, 2, 3] },
        { level: 'Copper', marks: [4] },
      ],
    },
    { kind: 'method' as const, groups: [{ level: 'whip', marks: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9] }] },
  ];
  it('are told of a lot that was all of a day, over those heard of', () => {
    const twins = groupTwins(kinds, (place) => (place === 9 ? 'unknown' : 'alive'));
    expect(twins('lot', 'grey')).toEqual([{ kind: 'day', level: 'may' }]);
    expect(twins('day', 'may')).toEqual([{ kind: 'lot', level: 'grey' }]);
    expect(twins('lot', 'copper')).toEqual([]);
  });
  it('are none of a variety, of a kind of one group, or where keepers are too many to be told', () => {
    const twins = groupTwins(kinds, () => 'alive');
    expect(twins('variety', 'Grey')).toEqual([]);
    expect(twins('method', 'whip')).toEqual([]);
    const many = kinds.map(({ kind, groups }) => ({
      kind,
      groups: groups.map(({ level }) => ({ level, marks: null })),
    }));
    expect(groupTwins(many, () => 'alive')('lot', 'grey')).toEqual([]);
  });
});
