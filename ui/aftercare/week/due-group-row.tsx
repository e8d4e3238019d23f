'use client';

import { useState } from 'react';
import { Check } from 'lucide-react';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import type { WeekGroup } from '@/core/aftercare/week/week-group';
import type { Tapped } from '../use-marks';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { MarkForm } from './mark-form';

interface DueGroupRowProps {
  group: WeekGroup;
  mayChange: boolean;
  onMark: (tapped: Tapped) => Promise<void>;
  withSite?: boolean;
}

/** One task of one lot: how many plants, until when, what happens otherwise; done with one tap, or for some of them. */
export function DueGroupRow({ group, mayChange, onMark, withSite = false }: DueGroupRowProps) {
  const [choosing, setChoosing] = useState(false);
  const { plants, name, task } = group;
  const words = `${name}, ${counted(plants.length, 'plant')} of ${group.variety}`;
  return (
    <li className="grid gap-x-4 gap-y-1 py-2 sm:grid-cols-[3.5rem_1fr_auto]">
      <span aria-hidden className="text-3xl leading-none font-bold tabular-nums max-sm:hidden">
        {plants.length}
      </span>
      <div>
        <p className="font-bold">{name}</p>
        <p className="text-sm">
          {counted(plants.length, 'plant')} of {group.variety}, {group.method.toLowerCase()}
          {withSite ? `, ${group.site}` : ''} <span className="text-muted">({group.workshop})</span>
        </p>
        <p className={`text-sm ${group.late || group.alarm ? 'font-bold' : 'text-muted'}`}>
          {whenWords(group)}
          {group.missed === '' ? '' : ` Otherwise: ${group.missed}`}
        </p>
      </div>
      {mayChange && (
        <div className="flex items-start gap-2">
          <button
            type="button"
            className="bench-button"
            data-weight="main"
            aria-label={`Done: ${words}`}
            onClick={() =>
              void onMark({
                marks: plants.map(({ unionId, occurrence }) => ({ unionId, task, occurrence })),
                outcome: 'done',
                on: deviceToday(),
                reason: '',
                words,
              })
            }
          >
            <Check aria-hidden className="size-4" /> Done
          </button>
          <button
            type="button"
            className="bench-button"
            aria-expanded={choosing}
            aria-label={`For some, or another way: ${words}`}
            onClick={() => setChoosing(!choosing)}
          >
            But…
          </button>
        </div>
      )}
      {choosing && (
        <MarkForm
          group={group}
          onMark={async (tapped) => {
            await onMark(tapped);
            setChoosing(false);
          }}
        />
      )}
    </li>
  );
}

/** Until when, and whether warmth moved it. */
function whenWords({ alarm, latest, late, from, to, movedBy }: WeekGroup): string {
  if (alarm) return `Its last day was ${formatDate(latest ?? to)}.`;
  const moved =
    movedBy === 0 ? '' : ` ${movedBy > 0 ? 'Cold' : 'Warm'} days moved it by ${counted(Math.abs(movedBy), 'day')}.`;
  if (late) return `Was due by ${formatDate(to)}.${moved}`;
  return from === to ? `Due ${formatDate(to)}.${moved}` : `Due until ${formatDate(to)}.${moved}`;
}
