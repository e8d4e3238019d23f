import Link from 'next/link';
import { AccountMenu } from '@/ui/club/account-menu';
import { WaitingNotice } from '@/ui/kit/device/waiting-notice';
import { CaliperListener } from '@/ui/kit/stand-ins/caliper-listener';
import { pageContext } from '../_http/session';

export default async function ClubLayout({ children }: { children: React.ReactNode }) {
  const { actor } = await pageContext();
  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3">
        Skip to the page
      </a>
      <header className="mx-auto flex max-w-[1240px] items-center justify-between gap-4 px-4">
        <Link href="/week" className="flex min-h-11 items-center gap-3 no-underline">
          <span className="font-bold whitespace-nowrap">Pear Bench</span>
          <span className="truncate text-muted max-sm:hidden">{actor.clubName}</span>
        </Link>
        <nav aria-label="Club" className="flex grow justify-end">
          {[
            ['/season', 'Season'],
            ['/methods', 'Methods'],
            ['/wood', 'Wood'],
            ['/places', 'Places'],
            ['/sites', 'Sites'],
            ['/findings', 'Findings'],
          ].map(([href, name]) => (
            <Link
              key={href}
              href={href!}
              className={`flex min-h-11 items-center px-3 font-bold ${href === '/methods' ? '' : 'max-sm:hidden'}`}
            >
              {name}
            </Link>
          ))}
        </nav>
        <WaitingNotice assessorId={actor.userId} />
        <AccountMenu name={actor.name} clubName={actor.clubName} role={actor.role} />
      </header>
      {children}
      <CaliperListener />
    </>
  );
}
