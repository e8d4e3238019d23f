import { formatCode } from '@/core/codes/plant-code';
import type { StagePicture } from '@/core/teach/healing/stage-strip';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** A plant to bring and show. */
export interface PlantToBring {
  code: string;
  variety: string;
  state: 'alive' | 'dead' | 'unknown';
  grower: string | null;
  site: string;
}

interface HealingStripProps {
  stages: readonly StagePicture[];
  /** The club's own plants of each age on the day, by age; left out where no day is meant. */
  bring?: Record<string, { plants: PlantToBring[]; count: number }>;
}

const DRAWN = 210;
const STATE = { alive: 'alive', dead: 'dead', unknown: 'not heard of' };

/** A good and a failed union at two weeks, a month, two months and a year; and which plants of that age to bring. */
export function HealingStrip({ stages, bring }: HealingStripProps) {
  return (
    <ol className="grid grid-cols-[minmax(0,1fr)] gap-4 sm:grid-cols-2 xl:grid-cols-4">
      {stages.map(({ age, words, good, failed }) => (
        <li key={age} className="border-t-2 border-ink pt-2">
          <h3 className="mb-1">After {words}</h3>
          <div className="grid grid-cols-2 gap-2">
            <Stage {...good} title={`A good union after ${words}`} caption="good" />
            <Stage {...failed} title={`A failed union after ${words}`} caption="failed" wrong />
          </div>
          {bring && <Bring age={words} {...(bring[age] ?? { plants: [], count: 0 })} />}
        </li>
      ))}
    </ol>
  );
}

interface StageProps {
  drawing: StagePicture['good']['drawing'];
  words: string;
  title: string;
  caption: string;
  wrong?: boolean;
}

function Stage({ drawing, words, title, caption, wrong = false }: StageProps) {
  return (
    <figure className="flex flex-col">
      <div
        className={`bg-sheet p-1 ${wrong ? 'border-4 border-loud' : 'border border-line'}`}
        style={{ borderRadius: '2px 14px 2px 14px' }}
      >
        <UnionDrawing
          drawing={drawing}
          width={Math.min(126, (drawing.width * DRAWN) / drawing.height)}
          title={`${title}: ${words}`}
          words={10}
          className="mx-auto max-w-full"
        />
      </div>
      <figcaption className="mt-1 text-sm">
        <span className={`font-bold ${wrong ? 'text-loud' : ''}`}>{wrong ? '✕ failed' : caption}.</span> {words}
      </figcaption>
    </figure>
  );
}

function Bring({ age, plants, count }: { age: string; plants: PlantToBring[]; count: number }) {
  if (count === 0) return <p className="mt-2 text-sm text-muted">None of the club’s plants is {age} old on the day.</p>;
  return (
    <div className="mt-2 border-l-4 border-ink pl-2 text-sm">
      <p className="font-bold">Bring these</p>
      <ul>
        {plants.map(({ code, variety, state, grower, site }) => (
          <li key={code}>
            <strong className="tabular-nums">{formatCode(code)}</strong> {variety}, {STATE[state]};{' '}
            {grower ? `with ${grower}` : 'grower no longer named'}, made at {site}
          </li>
        ))}
      </ul>
      {count > plants.length && <p className="text-muted">and {count - plants.length} more</p>}
    </div>
  );
}
