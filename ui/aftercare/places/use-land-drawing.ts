'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { drawLand, type Marks } from './draw-land';
import { fitted, type Scene, type View } from './land-scene';

/** Two canvases over one another: the land, drawn when something of it changed, and what is held over it. */
export function useLandDrawing(scene: Scene, height: number, view: View | null, marks: Omit<Marks, 'font'>) {
  const base = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  const [width, setWidth] = useState(0);
  const shown = view ?? (width > 0 ? fitted(scene, width, height) : null);
  const { selected, cursor, chosenPlace, feet } = marks;
  useEffect(() => {
    const watcher = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    watcher.observe(base.current!.parentElement!);
    return () => watcher.disconnect();
  }, []);
  const [x, y, scale] = [shown?.x, shown?.y, shown?.scale];
  useEffect(() => {
    if (x === undefined || y === undefined || scale === undefined || width === 0) return;
    const canvas = base.current!;
    const frame = requestAnimationFrame(() => {
      const font = getComputedStyle(canvas).fontFamily;
      const size = { width, height };
      drawLand(prepared(canvas, size), scene, { x, y, scale }, size, { selected, cursor, chosenPlace, feet, font });
    });
    return () => cancelAnimationFrame(frame);
  }, [scene, x, y, scale, width, height, selected, cursor, chosenPlace, feet]);
  const overlay = useCallback(
    (draw: (pen: CanvasRenderingContext2D) => void): void => draw(prepared(over.current!, { width, height })),
    [width, height],
  );
  return { base, over, width, shown, overlay };
}

/** A canvas sized for its screen, and empty. */
function prepared(canvas: HTMLCanvasElement, size: { width: number; height: number }): CanvasRenderingContext2D {
  const ratio = window.devicePixelRatio || 1;
  const [wide, high] = [Math.round(size.width * ratio), Math.round(size.height * ratio)];
  if (canvas.width !== wide || canvas.height !== high) [canvas.width, canvas.height] = [wide, high];
  const pen = canvas.getContext('2d')!;
  pen.setTransform(ratio, 0, 0, ratio, 0, 0);
  pen.clearRect(0, 0, size.width, size.height);
  return pen;
}
