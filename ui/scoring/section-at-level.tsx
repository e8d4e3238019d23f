'use client';

import { useId, useMemo } from 'react';
import { crossSection } from '@/core/drawing/cross-section';
import type { Assessment } from '@/core/methods/method';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { UnionDrawing } from '../union/union-drawing';

interface SectionAtLevelProps {
  assessment: Assessment;
  unit: LengthUnit;
  /** mm from the middle of the face, upwards. */
  level: number;
  onLevel: (level: number) => void;
}

/** The union cut across at a level one drags. */
export function SectionAtLevel({ assessment: { union, contact }, unit, level, onLevel }: SectionAtLevelProps) {
  const id = useId();
  const reach = levelReach(union.stock.length);
  const section = useMemo(() => crossSection(union, contact, level, unit), [union, contact, level, unit]);
  return (
    <div className="flex shrink-0 flex-row items-center gap-3 sm:flex-col sm:gap-0">
      <UnionDrawing drawing={section} width={112} title={`Cut across ${formatLength(Math.abs(level), unit)} ${level < 0 ? 'below' : 'above'} the middle`} />
      <div>
        <label htmlFor={id} className="block text-sm">Cut across at {formatLength(level, unit)}</label>
        <input id={id} type="range" min={-reach} max={reach} step={1} value={level} onChange={(event) => onLevel(Number(event.target.value))} className="h-8 w-32 accent-ink" />
      </div>
    </div>
  );
}

/** How far up and down the level can be dragged, mm. */
export function levelReach(cutLength: number): number {
  return Math.max(1, Math.round(cutLength / 2 - 1));
}
