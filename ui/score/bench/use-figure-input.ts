'use client';

import { useId, useLayoutEffect, useRef, useState, type ChangeEvent, type KeyboardEvent } from 'react';
import type { Field } from '@/core/methods/field';
import { isBegunFigure } from '@/core/units/begun-figure';
import type { Entry } from './entry';

export interface FigureInputOptions {
  field: Field;
  entry: Entry;
  onText: (name: string, text: string) => void;
}

/** Signs that follow each other faster than this come from a device and belong together, ms. */
const BURST = 40;

/** What was typed into a figure without a pause, and what stood there before. */
interface Burst {
  before: string;
  typed: string;
  at: number;
  refused: boolean;
  painted: boolean;
}

/** Enter commits a figure and goes on to the next field, as a caliper's Enter does; after the last to the first picks, then to saving. */
function nextOnEnter(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'Enter' || event.ctrlKey || event.metaKey || event.shiftKey) return;
  event.preventDefault();
  const form = event.currentTarget.form!;
  const all = [
    ...form.querySelectorAll<HTMLElement>('[data-first]'),
    ...[...form.querySelectorAll<HTMLElement>('[data-pick]:checked')].slice(0, 1),
    ...form.querySelectorAll<HTMLElement>('[data-save]'),
  ];
  const at = all.indexOf(event.currentTarget);
  (at < 0 ? all.find((element) => element.hasAttribute('data-save')) : all[at + 1])?.focus();
}

/** What is typed into a figure: signs that come in one burst belong together, and what is none is refused. */
export function useFigureInput({ field, entry, onText }: FigureInputOptions) {
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const burst = useRef<Burst>({ before: '', typed: '', at: 0, refused: false, painted: true });
  const [refused, setRefused] = useState<{ typed: string; times: number } | null>(null);
  const value = entry.texts[field.id] ?? '';

  // What comes next takes the place of what stands there, as it would have before.
  useLayoutEffect(() => {
    if (refused !== null && document.activeElement === input.current) input.current!.select();
  }, [refused]);

  // The next sign is not late because this page took its time to draw the one before.
  useLayoutEffect(() => {
    if (!burst.current.painted) burst.current = { ...burst.current, at: performance.now(), painted: true };
  });

  const change = (event: ChangeEvent<HTMLInputElement>): void => {
    const text = event.target.value;
    const now = burst.current;
    const { data } = event.nativeEvent as InputEvent;
    // What is pasted stands for itself; single signs may belong together.
    const goesOn = data?.length === 1 && event.timeStamp - now.at < BURST;
    const typed = (goesOn ? now.typed : '') + (data ?? text);
    const before = goesOn ? now.before : value;
    burst.current = { before, typed, at: event.timeStamp, refused: goesOn && now.refused, painted: false };
    if (!burst.current.refused && isBegunFigure(text, field.unit)) {
      setRefused(null);
      onText(field.id, text);
      return;
    }
    burst.current.refused = true;
    setRefused((last) => ({ typed, times: (last?.times ?? 0) + 1 }));
    if (value !== before) onText(field.id, before);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Escape') {
      event.currentTarget.closest<HTMLElement>('[data-open]')?.focus({ preventScroll: true });
      return;
    }
    // The Enter behind a refused word commits nothing: the figure is still to come.
    if (event.key === 'Enter' && burst.current.refused && event.timeStamp - burst.current.at < BURST) {
      event.preventDefault();
      return;
    }
    nextOnEnter(event);
  };
  return { id, input, value, refused, forgive: () => setRefused(null), change, onKeyDown };
}
