import type { Metadata } from 'next';
import Link from 'next/link';
import { DateTime } from 'luxon';
import { lastGoodBackup } from '@/server/club/backup-state';
import { listMembers } from '@/server/club/members';
import { nameTraces } from '@/server/club/name-traces';
import { MembersBoard } from '@/ui/club/members-board';
import { TracesBoard } from '@/ui/club/traces-board';
import { UnitsForm } from '@/ui/club/units-form';
import { backupFolder } from '../../_http/services';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Club and units' };

const moment = (at: string): string =>
  `${DateTime.fromISO(at, { zone: 'utc' }).setLocale('en-GB').toFormat('d LLL yyyy, HH:mm')} UTC`;

export default async function Club() {
  const context = await pageContext();
  const members = await listMembers(context);
  const backup = context.actor.role === 'lead' ? await lastGoodBackup(context, backupFolder()) : undefined;
  const traces = context.actor.role === 'lead' ? await nameTraces(context) : [];
  return (
    <>
      <Season />
      <main id="main" className="mx-auto grid max-w-[1240px] items-start gap-6 px-4 py-5 lg:grid-cols-[1fr_22rem]">
        <section aria-labelledby="members-title">
          <h1 id="members-title" className="mb-2">
            {context.actor.clubName}
          </h1>
          <MembersBoard members={members} mayChange={context.actor.role === 'lead'} />
          {traces.length > 0 && (
            <div className="mt-6">
              <h2 className="mb-2">To mend after people were erased</h2>
              <TracesBoard traces={traces} />
            </div>
          )}
        </section>
        {backup !== undefined && (
          <section className="board lg:col-start-2" aria-labelledby="backup-title">
            <h2 id="backup-title" className="mb-2">
              Backups
            </h2>
            {backup === null ? (
              <p>
                None was made yet. One is made each night while Pear Bench runs, and before every new version changes
                the tables.
              </p>
            ) : (
              <p>
                The last good one is of <strong>{moment(backup.at)}</strong>: {backup.rows} rows and {backup.letters}{' '}
                letters, {Math.max(1, Math.round(backup.bytes / 1000))} kB. It was played back for a trial and came back
                whole{backup.encrypted ? ', then encrypted for the key you keep' : ''}.
              </p>
            )}
            <p className="mt-2 text-sm text-muted">
              Kept in <code>.data/backups</code>: all of the last two days, then one a day for a week, one a week for
              five weeks and one a month for a year. <code>./restore FILE</code> plays one back.
            </p>
            <p className="mt-2">
              <Link href="/club/status">Server status</Link>: mail, backups, errors, disk and memory
            </p>
          </section>
        )}
        <section className="board" aria-labelledby="units-title">
          <h2 id="units-title" className="mb-2">
            Your units
          </h2>
          <UnitsForm lengthUnit={context.actor.lengthUnit} temperatureUnit={context.actor.temperatureUnit} />
        </section>
      </main>
    </>
  );
}
