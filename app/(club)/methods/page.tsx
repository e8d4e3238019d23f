import type { Metadata } from 'next';
import Link from 'next/link';
import { METHODS } from '@/core/methods/registry';
import { clubDay } from '@/server/plan/season';
import { MethodRow } from '@/ui/teach/method-row';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Methods' };

export default async function Methods() {
  const context = await pageContext();
  const { hemisphere } = await clubDay(context);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
          <h1>
            Methods{' '}
            <span className="text-base font-normal text-muted">{METHODS.length} ways of joining wood to wood</span>
          </h1>
          <p className="flex flex-wrap gap-2">
            <Link href="/methods/choose" className="bench-button" data-weight="main">
              Which one today?
            </Link>
            <Link href="/methods/pairs" className="bench-button">
              Stock and scion
            </Link>
            <Link href="/topworking" className="bench-button">
              Topworking
            </Link>
          </p>
        </div>
        <ul className="border-t-2 border-ink">
          {METHODS.map((method) => (
            <MethodRow key={method.id} method={method} unit={context.actor.lengthUnit} south={hemisphere === 'south'} />
          ))}
        </ul>
      </main>
    </>
  );
}
