import { describe, expect, it, vi } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { type BenchActions, onBenchKey } from './bench-keys';

const points = pointsOf(METHODS[0]!, {});
interface Press {
  key: string;
  ctrlKey?: boolean;
  shiftKey?: boolean;
  altKey?: boolean;
  tagName?: string;
  figure?: boolean;
  elsewhere?: boolean;
}

/** What pressing a key did, and whether the browser was kept from doing its own. */
function press({ key, tagName = 'DIV', figure = false, elsewhere = false, ...held }: Press) {
  const actions = {
    undo: vi.fn(() => Promise.resolve()),
    save: vi.fn(() => Promise.resolve()),
    stroke: vi.fn(),
    mark: vi.fn(),
    showCaution: vi.fn(),
  } satisfies BenchActions;
  const preventDefault = vi.fn();
  const target = { tagName, hasAttribute: () => figure };
  onBenchKey(
    {
      key,
      ctrlKey: false,
      metaKey: false,
      shiftKey: false,
      altKey: false,
      ...held,
      preventDefault,
      target,
      currentTarget: { contains: () => !elsewhere },
    } as unknown as Parameters<typeof onBenchKey>[0],
    points,
    actions,
  );
  const done = Object.entries(actions)
    .filter(([, action]) => action.mock.calls.length > 0)
    .map(([name, action]) => [name, ...(action.mock.calls[0] as unknown[])]);
  return { done, kept: preventDefault.mock.calls.length > 0 };
}

describe('keys at the bench', () => {
  it('save, take back, count and say the caution', () => {
    expect(press({ key: 'Enter', ctrlKey: true }).done).toEqual([['save', 'next']]);
    expect(press({ key: 'Enter', shiftKey: true, figure: true }).done).toEqual([['save', 'same']]);
    expect(press({ key: 'z' }).done).toEqual([['undo']]);
    expect(press({ key: 'Z', ctrlKey: true, figure: true }).done).toEqual([['undo']]);
    expect(press({ key: '+' }).done).toEqual([['stroke']]);
    expect(press({ key: 'q' }).done).toEqual([['showCaution']]);
  });
  it('mark the point of their letter, large or small', () => {
    const hold = points.find(({ id }) => id === 'hold')!;
    expect(press({ key: hold.letter }).done).toEqual([['mark', hold]]);
    expect(press({ key: hold.letter.toUpperCase() }).done).toEqual([['mark', hold]]);
  });
  it('do nothing while a figure is in use, so that a caliper’s words mark nothing', () => {
    for (const key of ['E', 'R', 'q', 'z', '+', 'h'])
      expect(press({ key, figure: true })).toEqual({ done: [], kept: false });
  });
  it('stay words in the note, where only Ctrl+Z takes back', () => {
    for (const key of ['h', 'q', '+', 'z'])
      expect(press({ key, tagName: 'TEXTAREA' })).toEqual({ done: [], kept: false });
    expect(press({ key: 'Enter', shiftKey: true, tagName: 'TEXTAREA' }).done).toEqual([]);
    expect(press({ key: 'z', ctrlKey: true, tagName: 'TEXTAREA' }).done).toEqual([['undo']]);
  });
  it('leave the browser its own, and a dialog its keys', () => {
    expect(press({ key: 'r', ctrlKey: true })).toEqual({ done: [], kept: false });
    expect(press({ key: 'h', altKey: true })).toEqual({ done: [], kept: false });
    expect(press({ key: 'Tab' })).toEqual({ done: [], kept: false });
    expect(press({ key: 'h', elsewhere: true })).toEqual({ done: [], kept: false });
  });
});
