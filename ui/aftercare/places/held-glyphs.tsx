import { RIBBONS, ribbonById } from '@/core/plan/wood/ribbons';
import { COLOURS } from '@/core/drawing/colours';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';

/** Glyphs drawn one by one at most; a fuller place is told in words. */
const MOST = 120;

/** What a place holds, a small flag for each plant in its lot's colour, an empty ring for what still fits. */
export function HeldGlyphs({ plants, capacity }: { plants: readonly PlacedPlant[]; capacity: number }) {
  const shown = Math.min(MOST, Math.max(capacity, plants.length));
  const ordered = [...plants].sort(
    (a, b) => RIBBONS.findIndex(({ id }) => id === a.ribbon) - RIBBONS.findIndex(({ id }) => id === b.ribbon),
  );
  return (
    <span className="flex flex-wrap gap-1" role="img" aria-label={`${plants.length} of ${capacity}`}>
      {Array.from({ length: shown }, (_, i) => {
        const plant = ordered[i];
        return (
          <svg key={i} viewBox="0 0 10 12" width={9} height={11} aria-hidden>
            {plant ? (
              <path
                d="M1 0V12M1 0H9L7 3L9 6H1"
                fill={ribbonById(plant.ribbon).colour}
                stroke={COLOURS.ink}
                strokeWidth={0.8}
              />
            ) : (
              <path d="M1 3V12" fill="none" stroke={COLOURS.line} strokeWidth={1.6} />
            )}
          </svg>
        );
      })}
    </span>
  );
}
