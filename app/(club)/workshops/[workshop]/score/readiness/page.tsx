import { counted } from '@/core/units/counted';
import { percent } from '@/core/units/percent';
import type { Metadata } from 'next';
import Link from 'next/link';
import { readinessBoard } from '@/server/score/readiness-board';
import { MethodChoice } from '@/ui/kit/method-choice';
import { ReadinessBoard } from '@/ui/score/readiness/readiness-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Readiness' };

interface ReadinessProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ method?: string }>;
}

export default async function Readiness({ params, searchParams }: ReadinessProps) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { method: asked } = await searchParams;
  const { method, taught, people, settings, planned, minutesLeft, over, curves } = await orNotFound(
    readinessBoard(context, id, asked ?? null),
  );
  if (people.length === 0)
    return (
      <p className="board">
        Nobody is on the roster yet. <Link href={`/workshops/${id}/plan`}>Fill it on the Plan page</Link>.
      </p>
    );
  const { last, score } = settings.ready;
  return (
    <>
      <h1>Ready for living wood{taught.length > 1 ? `, by ${method.name.toLowerCase()}` : ''}</h1>
      <MethodChoice path={`/workshops/${id}/score/readiness`} methods={taught} chosen={method.id} />
      <p className="mb-4 max-w-[62ch]">
        The last {last} practice {last === 1 ? 'union' : 'unions'} at {score} or more and none of them fatal; recuts are
        left out. <Link href={`/workshops/${id}/score/settings`}>Change the rule</Link>.
        {curves && (
          <span className="text-muted">
            {' '}
            With each union the class closes about {percent(curves.rate)} of the gap to its best; single unions lie
            about {counted(Math.round(curves.scatter), 'point')} off a hand&apos;s own curve.
          </span>
        )}
      </p>
      <ReadinessBoard
        workshopId={id}
        mayChange={context.actor.role !== 'viewer'}
        rule={settings.ready}
        planned={planned}
        minutesLeft={minutesLeft}
        over={over}
        people={people.map(({ door, ...person }) => ({
          ...person,
          open: door.open,
          said: door.said && { may: door.said.may, reason: door.said.reason, by: door.said.by },
        }))}
      />
    </>
  );
}
