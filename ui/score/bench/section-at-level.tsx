'use client';

import { useId, useMemo } from 'react';
import type { Assessment } from '@/core/methods/method';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

interface SectionAtLevelProps {
  section: NonNullable<Assessment['section']>;
  /** How far up and down the level can be dragged, mm; 0 where every level is alike. */
  reach: number;
  unit: LengthUnit;
  /** mm from the middle of the face, upwards. */
  level: number;
  onLevel: (level: number) => void;
}

/** The union cut across, at a level one drags where levels differ. */
export function SectionAtLevel({ section, reach, unit, level, onLevel }: SectionAtLevelProps) {
  const id = useId();
  const drawing = useMemo(() => section(level, unit), [section, level, unit]);
  const title =
    reach === 0
      ? 'Cut across'
      : `Cut across ${formatLength(Math.abs(level), unit)} ${level < 0 ? 'below' : 'above'} the middle`;
  return (
    <div className="flex shrink-0 flex-row items-center gap-3 sm:flex-col sm:gap-0">
      <UnionDrawing drawing={drawing} width={112} title={title} />
      {reach === 0 ? (
        <p className="text-sm">Cut across</p>
      ) : (
        <div>
          <label htmlFor={id} className="block text-sm">
            Cut across at {formatLength(level, unit)}
          </label>
          <input
            id={id}
            type="range"
            min={-reach}
            max={reach}
            step={1}
            value={level}
            onChange={(event) => onLevel(Number(event.target.value))}
            className="h-8 w-32 accent-ink"
          />
        </div>
      )}
    </div>
  );
}
