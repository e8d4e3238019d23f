import type { Metadata } from 'next';
import Link from 'next/link';
import { openRecalibration } from '@/server/score/recalibration';
import { MethodChoice } from '@/ui/kit/method-choice';
import { Recalibration } from '@/ui/score/agreement/recalibration';
import { orNotFound } from '../../../../../../_http/or-not-found';
import { pageContext } from '../../../../../../_http/session';

export const metadata: Metadata = { title: 'Recalibration' };

export default async function RecalibrationPage({
  params,
  searchParams,
}: {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ set?: string; method?: string }>;
}) {
  const { workshop: id } = await params;
  const context = await pageContext();
  if (context.actor.role === 'viewer')
    return (
      <p className="board">
        Drawn unions are for those who score. <Link href={`/workshops/${id}/score`}>Back to the bench</Link>.
      </p>
    );
  const { set, method: asked } = await searchParams;
  const { method, taught, seed, latest, rule, unions, assessors } = await orNotFound(
    openRecalibration(context, id, set && /^[1-9]\d{0,5}$/.test(set) ? Number(set) : null, asked ?? null),
  );
  return (
    <>
      <h1>Recalibration, set {seed}</h1>
      <MethodChoice path={`/workshops/${id}/score/agreement/recalibration`} methods={taught} chosen={method.id} />
      <p className="mb-4 max-w-[68ch]">
        Drawn unions whose grades are known. Mark what is wrong as at the bench: what can be measured, read off the
        drawing; the rest is told beside it. The rubric&apos;s grades are shown once yours are kept. Everybody who opens
        set {seed} gets the same unions.
      </p>
      <Recalibration
        key={`${method.id} ${seed}`}
        workshopId={id}
        method={method.id}
        seed={seed}
        latest={latest}
        rule={rule}
        unions={unions}
        assessors={assessors}
        unit={context.actor.lengthUnit}
      />
    </>
  );
}
