import type { Metadata } from 'next';
import Link from 'next/link';
import { woodOf } from '@/core/methods/shown-technique';
import { variantWith } from '@/core/methods/variant';
import { filedStages } from '@/server/teach/drawing-files';
import { formatDate } from '@/core/units/iso-date';
import { methodAsked, taughtMethods } from '@/server/plan/planned-methods';
import { dayTaught } from '@/server/plan/taught';
import { getWorkshop } from '@/server/plan/workshops';
import { plantsOfAge } from '@/server/teach/plants-of-age';
import { MethodChoice } from '@/ui/kit/method-choice';
import { HealingStrip } from '@/ui/teach/healing-strip';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'What becomes of it' };

interface HealingProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ method?: string }>;
}

/** Good and failed unions as time goes by, and which of the club's own plants show it on the day. */
export default async function Healing({ params, searchParams }: HealingProps) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const taught = await taughtMethods(context, workshop);
  const { method: asked } = await searchParams;
  const method = methodAsked(taught, asked);
  const { variantOn, schoolsOf } = await dayTaught(context, workshop);
  const variant = variantWith(method, variantOn(method));
  const wood = woodOf(method.shownWith);
  const { lengthUnit: unit } = context.actor;
  const stages = filedStages({ method, choices: schoolsOf(method), wood, unit, theme: 'page' }, variant.id);
  const bring = await plantsOfAge(context, id, method.id);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <h1>
          What becomes of {method.inSentence} <span className="text-base font-normal text-muted">{variant.words}</span>
        </h1>
        <Link href={`/workshops/${id}/teach`} className="bench-button">
          The steps
        </Link>
      </div>
      <MethodChoice path={`/workshops/${id}/teach/healing`} methods={taught} chosen={method.id} />
      <HealingStrip stages={stages} bring={Object.fromEntries(bring.map(({ age, ...rest }) => [age, rest]))} />
      <p className="mt-4 max-w-prose text-sm text-muted">
        Ages are counted to {formatDate(workshop.date)}. Cold weeks stretch all of this and warm ones shorten it. Shoots
        are drawn no longer than there is room.
      </p>
    </>
  );
}
