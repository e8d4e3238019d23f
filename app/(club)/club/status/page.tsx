import type { Metadata } from 'next';
import Link from 'next/link';
import { serverStatus } from '@/server/club/server-status';
import { StatusTable } from '@/ui/club/status-table';
import { backupFolder } from '../../../_http/services';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Server status' };

/** How the server runs: mail, backups, faults, disk and memory. */
export default async function Status() {
  const context = await pageContext();
  if (context.actor.role !== 'lead')
    return (
      <main id="main" className="mx-auto max-w-[1000px] px-4 py-5">
        <h1 className="mb-1">Server status</h1>
        <p>Only the lead of {context.actor.clubName} sees this page.</p>
      </main>
    );
  const status = await serverStatus(context, backupFolder());
  return (
    <main id="main" className="mx-auto max-w-[1000px] px-4 py-5">
      <h1 className="mb-1">Server status</h1>
      <p className="mb-4 text-muted">
        Mail is your club’s own; everything else is the same for all clubs on this server.{' '}
        <Link href="/club">Back to the club</Link>
      </p>
      <StatusTable status={status} />
    </main>
  );
}
