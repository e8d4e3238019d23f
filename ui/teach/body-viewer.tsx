'use client';

import { type RefObject, useEffect, useId, useRef, useState } from 'react';
import type { BodyParts } from '@/core/drawing/body/body-parts';
import { type BodyScene, showBodies } from './body-scene';

interface BodyViewerProps {
  /** Where the meshes are. */
  from: string;
  /** What it shows, for who cannot see it. */
  label: string;
}

const KEYS: Record<string, (scene: BodyScene) => void> = {
  ArrowLeft: (scene) => scene.turn(-1, 0),
  ArrowRight: (scene) => scene.turn(1, 0),
  ArrowUp: (scene) => scene.turn(0, 1),
  ArrowDown: (scene) => scene.turn(0, -1),
  '+': (scene) => scene.nearer(1),
  '-': (scene) => scene.nearer(-1),
};

/** Fetches meshes and shows them in a canvas for as long as it is there; what went wrong is told in words. */
function useBodyScene(from: string, canvas: RefObject<HTMLCanvasElement | null>) {
  const scene = useRef<BodyScene | null>(null);
  const [parts, setParts] = useState<BodyParts | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    fetch(from, { signal: stop.signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(String(answer.status));
        setParts((await answer.json()) as BodyParts);
      })
      .catch(() => {
        if (!stop.signal.aborted)
          setProblem('The pieces could not be fetched. Close this, look for reception, and open it again.');
      });
    return () => stop.abort();
  }, [from]);
  useEffect(() => {
    const element = canvas.current;
    if (!parts || !element) return;
    try {
      scene.current = showBodies(element, parts);
    } catch {
      queueMicrotask(() =>
        setProblem('This browser cannot draw in three dimensions. The flat drawings show the same.'),
      );
      return;
    }
    const watch = new ResizeObserver(([entry]) =>
      scene.current?.resize(entry!.contentRect.width, entry!.contentRect.height),
    );
    watch.observe(element);
    return () => {
      watch.disconnect();
      scene.current?.end();
      scene.current = null;
    };
  }, [parts, canvas]);
  return { scene, parts, problem };
}

/** Pieces that can be turned by mouse, touch and keys, and whose joint opens and closes. */
export default function BodyViewer({ from, label }: BodyViewerProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { scene, parts, problem } = useBodyScene(from, canvas);
  const opened = useId();
  if (problem)
    return (
      <p role="alert" className="border-l-4 border-loud pl-3 font-bold">
        {problem}
      </p>
    );
  return (
    <div className="flex flex-col gap-3">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`${label}. Arrow keys turn it, plus and minus go nearer and farther.`}
        aria-busy={parts === null}
        tabIndex={0}
        className="h-[60vh] w-full touch-none border border-line bg-sheet"
        onKeyDown={(event) => {
          const does = KEYS[event.key];
          if (!does || !scene.current) return;
          does(scene.current);
          event.preventDefault();
        }}
      />
      {parts?.joined && (
        <div className="flex items-center gap-3">
          <label htmlFor={opened} className="font-bold">
            Open the joint
          </label>
          <input
            id={opened}
            type="range"
            min={0}
            max={1}
            step={0.01}
            defaultValue={0}
            className="min-h-11 grow"
            onChange={(event) => scene.current?.open(Number(event.target.value))}
          />
        </div>
      )}
      <p className="text-sm text-muted">Drag to turn, pinch or roll to go nearer; arrow keys, + and − do the same.</p>
    </div>
  );
}
