import type { Metadata } from 'next';
import Link from 'next/link';
import { formatCode, normaliseCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import { plantGuide } from '@/server/findings/causes/guide-facts';
import { GuideBoard } from '@/ui/findings/guide/guide-board';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Why it died' };

interface WhyProps {
  params: Promise<{ code: string }>;
  searchParams: Promise<{ union?: string }>;
}

/** The guide: one question after the other about a union that died, on the phone beside it. */
export default async function Why({ params, searchParams }: WhyProps) {
  const [{ code }, { union }] = await Promise.all([params, searchParams]);
  const context = await pageContext();
  const { deaths, workshopId } = await orNotFound(plantGuide(context, decodeURIComponent(code), union));
  const [facts] = deaths;
  return (
    <main id="main" className="mx-auto max-w-[560px] px-4 py-4">
      <p className="text-muted">
        <Link href={`/plants/${normaliseCode(decodeURIComponent(code))}`}>
          {formatCode(normaliseCode(decodeURIComponent(code)))}
        </Link>
        {facts && `: ${facts.title}, made ${formatDate(facts.madeOn)}`}
      </p>
      <h1>Why did it die?</h1>
      {facts ? (
        <GuideBoard
          key={facts.unionId}
          facts={facts}
          me={{ id: context.actor.userId, name: context.actor.name }}
          mayChange={context.actor.role !== 'viewer'}
        />
      ) : (
        <p className="board mt-2">
          Nothing on this plant is known to have died, so there is nothing to ask yet. Once an answer says so,{' '}
          <Link href={`/answers?search=${normaliseCode(decodeURIComponent(code))}`}>enter it</Link>, and the guide asks
          here.
        </p>
      )}
      {deaths.length > 1 && (
        <p className="mt-3">
          On the same plant:{' '}
          {deaths.slice(1).map(({ unionId, title }) => (
            <Link key={unionId} href={`?union=${unionId}`} className="mr-2">
              {title}
            </Link>
          ))}
        </p>
      )}
      <p className="mt-3 text-sm">
        <Link href={`/workshops/${workshopId}/findings/causes`}>What deaths of its workshop share</Link>
      </p>
    </main>
  );
}
