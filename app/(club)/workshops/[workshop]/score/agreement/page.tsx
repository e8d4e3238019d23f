import type { Metadata } from 'next';
import Link from 'next/link';
import { assessorAgreement } from '@/server/score/agreement';
import { MethodChoice } from '@/ui/kit/method-choice';
import { AgreementBoard } from '@/ui/score/agreement/agreement-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Agreement' };

export default async function Agreement({
  params,
  searchParams,
}: {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ scope?: string; method?: string }>;
}) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { scope: asked, method: askedMethod } = await searchParams;
  const scope = asked === 'method' ? 'method' : 'workshop';
  const { method, methods, agreement, advice, points, nameOf, differences, waiting, blindRate } = await orNotFound(
    assessorAgreement(context, id, scope, askedMethod ?? null),
  );
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="grow">How far assessors agree</h1>
        {scope === 'workshop' ? (
          <Link href={`/workshops/${id}/score/agreement?scope=method&method=${method.id}`}>
            All workshops of this method
          </Link>
        ) : (
          <Link href={`/workshops/${id}/score/agreement?method=${method.id}`}>This workshop only</Link>
        )}
        {context.actor.role !== 'viewer' && (
          <Link href={`/workshops/${id}/score/agreement/recalibration?method=${method.id}`} className="bench-button">
            Recalibration set
          </Link>
        )}
      </div>
      <MethodChoice
        path={`/workshops/${id}/score/agreement`}
        methods={methods}
        chosen={method.id}
        keep={scope === 'method' ? { scope } : {}}
      />
      <AgreementBoard
        workshopId={id}
        agreement={agreement}
        advice={advice}
        points={points}
        nameOf={nameOf}
        differences={differences}
        waiting={waiting}
        blindRate={blindRate}
        mayClose={context.actor.role === 'lead' && scope === 'workshop'}
      />
    </>
  );
}
