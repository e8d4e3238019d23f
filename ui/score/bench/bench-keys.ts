import type { KeyboardEvent } from 'react';
import type { Point } from '@/core/methods/method';

export interface BenchActions {
  undo: () => Promise<void>;
  save: (then: 'next' | 'same') => Promise<void>;
  stroke: () => void;
  mark: (point: Point) => void;
  showCaution: () => void;
}

type Pressed = Pick<
  KeyboardEvent<HTMLElement>,
  'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey' | 'preventDefault' | 'target' | 'currentTarget'
>;

/** What a key does at the bench: letters mark, the plus counts a stroke, Z takes back, Q says the caution, Ctrl or Shift with Enter save. */
export function onBenchKey(event: Pressed, points: readonly Point[], actions: BenchActions): void {
  const target = event.target as HTMLElement;
  const command = event.ctrlKey || event.metaKey;
  const inWords = target.tagName === 'TEXTAREA';
  const does = (action: () => unknown): void => {
    event.preventDefault();
    void action();
  };
  // A dialog stands elsewhere in the page, and keeps its keys.
  if (!event.currentTarget.contains(target)) return;
  if (command && event.key.toLowerCase() === 'z') return does(actions.undo);
  if (event.key === 'Enter' && (command || event.shiftKey) && !inWords)
    return does(() => actions.save(event.shiftKey ? 'same' : 'next'));
  // A figure in use takes figures alone, so that no caliper marks or counts anything with what it types.
  if (target.hasAttribute('data-figure')) return;
  if (event.key === '+' && !inWords) return does(actions.stroke);
  // Fields for words keep their letters.
  if (command || event.altKey || inWords || !/^[a-z]$/i.test(event.key)) return;
  const letter = event.key.toLowerCase();
  if (letter === 'q') return does(actions.showCaution);
  if (letter === 'z') return does(actions.undo);
  const marked = points.find((point) => point.letter === letter && point.faults.length > 0);
  does(() => (marked ? actions.mark(marked) : undefined));
}
