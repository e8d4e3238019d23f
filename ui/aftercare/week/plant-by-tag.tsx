'use client';

import { useState } from 'react';
import { Check } from 'lucide-react';
import { formatCode, isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import type { DuePlant } from '@/core/aftercare/week/due-groups';
import type { WeekGroup } from '@/core/aftercare/week/week-group';
import { formatDate } from '@/core/units/iso-date';
import { ScanTag } from '@/ui/kit/device/scan-tag';
import { Field } from '@/ui/kit/form/field';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import type { Tapped } from '../use-marks';
import { deviceToday } from '@/ui/kit/device/device-clock';

interface PlantByTagProps {
  groups: readonly WeekGroup[];
  tags: readonly { code: string; variety: string }[];
  onMark: (tapped: Tapped) => Promise<void>;
  onClose: () => void;
}

/** Opens a plant's due tasks by its tag: scanned, from a photo, or typed. */
export function PlantByTag({ groups, tags, onMark, onClose }: PlantByTagProps) {
  const [code, setCode] = useState<string | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  if (code === null && typed === null)
    return (
      <ScanTag onCode={setCode} onClose={onClose}>
        <button type="button" className="bench-button" onClick={() => setTyped('')}>
          Type the code
        </button>
      </ScanTag>
    );
  const wanted = code ?? normaliseCode(typed ?? '');
  const tag = tags.find((known) => known.code === wanted);
  return (
    <SheetDialog
      title={tag ? formatCode(tag.code) : 'Which plant?'}
      description={tag ? `${tag.variety}: what wants doing on this plant.` : 'Type the six characters of its tag.'}
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      {code === null && (
        <Field label="Code of the tag">
          <input
            className="text-2xl tracking-widest uppercase"
            autoFocus
            autoComplete="off"
            maxLength={8}
            value={typed ?? ''}
            onChange={(event) => setTyped(event.target.value)}
          />
        </Field>
      )}
      {!tag && (code !== null || isPlantCode(wanted)) && (
        <p role="alert" className="font-bold">
          No plant under care here carries the tag {formatCode(wanted)}. Look at the tag again; it may be of another
          club, voided, or newer than what this device keeps.
        </p>
      )}
      {tag && <DueOnPlant code={tag.code} groups={groups} onMark={onMark} />}
      {tag && (
        <p className="flex flex-wrap gap-2">
          <a className="bench-button" href={`/plants/${tag.code}`}>
            Its whole page
          </a>
          <button
            type="button"
            className="bench-button"
            onClick={() => {
              setCode(null);
              setTyped(null);
            }}
          >
            Scan the next
          </button>
        </p>
      )}
    </SheetDialog>
  );
}

interface DueOnPlantProps extends Pick<PlantByTagProps, 'groups' | 'onMark'> {
  code: string;
}

/** What is due on one plant, each done with a tap. */
function DueOnPlant({ code, groups, onMark }: DueOnPlantProps) {
  const due = groups.flatMap((group) =>
    group.plants.filter((plant) => plant.code === code).map((plant) => ({ group, plant })),
  );
  if (due.length === 0) return <p role="status">Nothing is due on it this week.</p>;
  return (
    <ul className="flex flex-col gap-3">
      {due.map(({ group, plant }) => (
        <li
          key={`${group.key} ${plant.unionId}`}
          className={`border-l-4 bg-sheet p-3 ${group.alarm ? 'border-loud' : 'border-ink'}`}
        >
          <p className="font-bold">{group.name}</p>
          <p className="text-sm">{dueWords(group, plant)}</p>
          <button
            type="button"
            className="bench-button mt-2"
            data-weight="main"
            onClick={() =>
              void onMark({
                marks: [{ unionId: plant.unionId, task: group.task, occurrence: plant.occurrence }],
                outcome: 'done',
                on: deviceToday(),
                reason: '',
                words: `${group.name}, ${formatCode(code)}`,
              })
            }
          >
            <Check aria-hidden className="size-4" /> Done
          </button>
        </li>
      ))}
    </ul>
  );
}

function dueWords({ alarm, latest, to, missed }: WeekGroup, { place }: DuePlant): string {
  const when = alarm ? `last day was ${formatDate(latest ?? to)}` : `until ${formatDate(to)}`;
  return `${place === '' ? '' : `${place}; `}${when}${missed === '' ? '' : `. Otherwise: ${missed}`}`;
}
