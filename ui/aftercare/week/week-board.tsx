'use client';

import { useEffect, useState } from 'react';
import { ScanLine } from 'lucide-react';
import { counted } from '@/core/units/counted';
import type { WeekGroup } from '@/core/aftercare/week/week-group';
import { keepToWorkOn } from '@/ui/kit/device/keep-page';
import { useDeviceQueue } from '@/ui/kit/device/use-device-queue';
import { WaitingStrip } from '@/ui/kit/device/waiting-strip';
import { LastTap } from '../last-tap';
import { type Tapped, useMarks } from '../use-marks';
import { DueGroupRow } from './due-group-row';
import { minutesWords } from './minutes-words';
import { Overdue } from './overdue-lots';
import { PlantByTag } from './plant-by-tag';

interface WeekBoardProps {
  me: { id: string; name: string };
  mayChange: boolean;
  groups: readonly WeekGroup[];
  /** Every tag under care, so that a scan without reception tells a plant with nothing due from one that is not ours. */
  tags: readonly { code: string; variety: string }[];
}

/** What wants doing this week, by place; one tap closes a task for all plants of a lot. Works without reception. */
export function WeekBoard({ me, mayChange, groups, tags }: WeekBoardProps) {
  const queue = useDeviceQueue(me.id);
  const marks = useMarks(queue, me);
  const [scanning, setScanning] = useState(false);
  useEffect(() => {
    void keepToWorkOn('/week');
  }, []);
  const open = groups.flatMap((group) => withoutMarked(group, marks.isMarked));
  const sites = [...new Map(open.map(({ siteId, site }) => [siteId, site])).entries()];
  return (
    <>
      {mayChange && (
        <>
          <WaitingStrip
            here="/week"
            goOn="You can go on marking; it is kept on this device."
            assessorId={me.id}
            waiting={queue.waiting}
            link={queue.link}
            onSend={queue.sendNow}
          />
          <LastTap marks={marks} />
          <p className="mb-4">
            <button type="button" className="bench-button" data-weight="main" onClick={() => setScanning(true)}>
              <ScanLine aria-hidden className="size-5" /> Scan a tag
            </button>
          </p>
        </>
      )}
      {scanning && <PlantByTag groups={open} tags={tags} onMark={marks.mark} onClose={() => setScanning(false)} />}
      <Alarms groups={open.filter(({ alarm }) => alarm)} mayChange={mayChange} onMark={marks.mark} />
      <Overdue groups={open} mayChange={mayChange} onMark={marks.mark} />
      {sites.map(([siteId, site]) => (
        <AtSite
          key={siteId}
          siteId={siteId}
          site={site}
          groups={open.filter((group) => group.siteId === siteId && !group.alarm && !group.late)}
          mayChange={mayChange}
          onMark={marks.mark}
        />
      ))}
      {open.length === 0 && <p className="board">Nothing on the plants wants doing this week.</p>}
    </>
  );
}

/** What of a group is still open on this device. */
function withoutMarked(group: WeekGroup, isMarked: ReturnType<typeof useMarks>['isMarked']): WeekGroup[] {
  const plants = group.plants.filter(({ unionId, occurrence }) => !isMarked({ unionId, task: group.task, occurrence }));
  if (plants.length === 0) return [];
  return [{ ...group, plants, minutes: (group.minutes / group.plants.length) * plants.length }];
}

interface GroupsProps {
  groups: readonly WeekGroup[];
  mayChange: boolean;
  onMark: (tapped: Tapped) => Promise<void>;
}

/** Ties past their last day, before all else. */
function Alarms({ groups, mayChange, onMark }: GroupsProps) {
  if (groups.length === 0) return null;
  const ties = groups.reduce((sum, { plants }) => sum + plants.length, 0);
  return (
    <section aria-labelledby="alarms" className="mb-6 border-4 border-loud bg-sheet p-3">
      <h2 id="alarms" className="text-loud">
        Take off now: {counted(ties, 'tie')} past the last day
      </h2>
      <ul className="divide-y divide-line">
        {groups.map((group) => (
          <DueGroupRow key={group.key} group={group} mayChange={mayChange} onMark={onMark} withSite />
        ))}
      </ul>
    </section>
  );
}

/** What wants doing at one site, with how many plants and how long it takes. */
function AtSite({ siteId, site, groups, mayChange, onMark }: GroupsProps & { siteId: string; site: string }) {
  if (groups.length === 0) return null;
  const plants = new Set(groups.flatMap((group) => group.plants.map(({ code }) => code))).size;
  return (
    <section aria-labelledby={`at-${siteId}`} className="mb-6">
      <h2 id={`at-${siteId}`} className="mb-1 flex flex-wrap items-baseline justify-between gap-x-4">
        <span>{site}</span>
        <span className="text-base font-normal text-muted">
          {counted(plants, 'plant')}, about {minutesWords(groups.reduce((sum, { minutes }) => sum + minutes, 0))}
        </span>
      </h2>
      <ul className="divide-y divide-line border-y border-line">
        {groups.map((group) => (
          <DueGroupRow key={group.key} group={group} mayChange={mayChange} onMark={onMark} />
        ))}
      </ul>
    </section>
  );
}
