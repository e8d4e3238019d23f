import type { Metadata } from 'next';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { edges } from '@/server/plan/edges';
import { EdgesForm } from '@/ui/plan/ready-check/edges-form';
import { heardBriefing } from '@/server/teach/briefing';
import { readiness } from '@/server/plan/ready';
import { ReadyBoard } from '@/ui/plan/ready-check/ready-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Ready check' };

export default async function PlanReady({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const heard = await orNotFound(heardBriefing(context, id));
  const { light, lines, date, people, simulated, siteId, today } = await orNotFound(readiness(context, id, heard));
  const tested = await edges(context, id);
  return (
    <div className="max-w-5xl">
      <h1 className="mb-3">
        Ready check{' '}
        <span className="text-base font-normal text-muted">
          for {formatDate(date)}, {counted(people, 'person', 'people')}
        </span>
      </h1>
      <ReadyBoard
        light={light}
        lines={lines}
        hrefs={{
          roster: `/workshops/${id}/plan/roster`,
          dates: `/workshops/${id}/plan/dates`,
          wood: `/workshops/${id}/plan/wood`,
          site: `/sites/${siteId}`,
          briefing: `/workshops/${id}/teach/briefing`,
          quantities: `/workshops/${id}/plan/quantities`,
          compatibility: '/methods/pairs',
          edges: '#edges',
        }}
      />
      <EdgesForm
        workshopId={id}
        version={tested.version}
        knives={tested.body.knives}
        today={today}
        name={context.actor.name}
        mayChange={context.actor.role !== 'viewer'}
      />
      <p className="mt-4 max-w-prose text-sm text-muted">
        {simulated ? 'The forecast is simulated. ' : ''}What concerns law, protection and quarantine is a reminder: the
        local authority, the owner and licensed practitioners decide.
      </p>
    </div>
  );
}
