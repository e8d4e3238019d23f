'use client';

import type { UnionLife } from '@/core/aftercare/life/plant-life';
import type { DisplayList } from '@/core/drawing/display-list';
import { formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { useDeviceQueue } from '@/ui/kit/device/use-device-queue';
import { WaitingStrip } from '@/ui/kit/device/waiting-strip';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { LastTap } from '../last-tap';
import { useMarks } from '../use-marks';
import { EventList } from './event-list';
import { KeepOne } from './keep-one';
import { LifeLegend, LifeLine } from './life-line';
import { LivesOn } from './lives-on';
import { ToldTwice } from './told-twice';
import { UnionPanel } from './union-panel';

interface PlantBoardProps {
  plantId: string;
  workshopId: string;
  code: string;
  me: { id: string; name: string };
  mayChange: boolean;
  mayDecide: boolean;
  unit: LengthUnit;
  unions: readonly { life: UnionLife; drawing: DisplayList; from: string }[];
}

const STATES = {
  living: '',
  dead: 'Dead',
  opened: 'Opened to look',
  voided: 'Voided',
  'cut-away': 'Cut away',
  gone: 'Gone',
} as const;

/** The unions of a plant: the life of each, what is due, what is round its stem. Works on what this device keeps. */
export function PlantBoard({ plantId, workshopId, code, me, mayChange, mayDecide, unit, unions }: PlantBoardProps) {
  const queue = useDeviceQueue(me.id);
  const marks = useMarks(queue, me);
  const at = { plantId, code, me, mayChange, unit, queue, marks };
  return (
    <>
      {mayChange && (
        <WaitingStrip
          here={`/plants/${code}`}
          goOn="You can go on marking; it is kept on this device."
          assessorId={me.id}
          waiting={queue.waiting}
          link={queue.link}
          onSend={queue.sendNow}
        />
      )}
      <LastTap marks={marks} />
      <KeepOne lives={unions.map(({ life }) => life)} at={at} />
      {unions.map(({ life, drawing, from }) => (
        <section key={life.unionId} aria-labelledby={life.unionId} className="mb-8">
          <h2 id={life.unionId} className="mb-2">
            {life.made}
            {life.place === '' ? '' : `, ${life.place}`}, {formatDate(life.madeOn)}
            {STATES[life.state] === '' ? (
              ''
            ) : (
              <span className="ml-3 border-2 border-ink px-2">{STATES[life.state]}</span>
            )}
          </h2>
          {life.suitsNot.length > 0 && (
            <p role="note" className="mb-3 max-w-prose border-l-4 border-ink bg-mist p-3">
              <strong>Its two kinds may not suit each other after all: {life.suitsNot.join(', ')}.</strong> In these
              years such signs can be that, or wind, wet and hunger. Stake it, look at others of the pair, and note the
              pair on the page of pairs before it is grafted again.
            </p>
          )}
          <ToldTwice told={life.toldTwice} mayDecide={mayDecide} />
          {life.livesOn.length > 0 && (
            <LivesOn
              key={life.variant}
              workshopId={workshopId}
              plantId={plantId}
              variant={life.variant}
              reason={life.variantReason}
              options={life.livesOn}
              mayChange={mayChange && life.state === 'living'}
            />
          )}
          <LifeLine life={life} />
          <LifeLegend life={life} unit={unit} />
          <EventList events={life.events} at={at} />
          <div className="mt-3 grid gap-8 lg:grid-cols-[1fr_190px]">
            <UnionPanel life={life} at={at} />
            <figure className="max-w-[190px]">
              <UnionDrawing drawing={drawing} width={170} title={`The union. ${from}`} />
              <figcaption className="mt-1 text-sm text-muted">{from}</figcaption>
              {life.growthFrom === 'kin' && (
                <p className="mt-2 text-sm">
                  Nobody measured this one; its growth is reckoned from plants of the same variety of that day.
                </p>
              )}
            </figure>
          </div>
        </section>
      ))}
    </>
  );
}
