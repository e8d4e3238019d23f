import { DateTime } from 'luxon';
import { CircleAlert, CircleCheck } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { counted } from '@/core/units/counted';
import type { ServerStatus } from '@/core/club/server-status';

const moment = (at: Date | string): string =>
  `${DateTime.fromJSDate(new Date(at), { zone: 'utc' }).setLocale('en-GB').toFormat('d LLL yyyy, HH:mm')} UTC`;
const gigabytes = (bytes: number): string => `${(bytes / 1e9).toFixed(bytes < 1e10 ? 1 : 0)} GB`;
const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;

interface Line {
  name: string;
  /** False where the lead should look after it. */
  well: boolean;
  says: ReactNode;
}

/** How long the main thread may answer nothing before the page points it out, ms. */
const LONG_PAUSE = 1000;

function mailLines({ mail }: ServerStatus): Line[] {
  return [
    {
      name: 'Letters in',
      well: mail.unread === 0,
      says: (
        <>
          {mail.lastRead ? `Last reply read ${moment(mail.lastRead)}.` : 'No grower has replied by mail yet.'}
          {mail.unread > 0 && (
            <>
              {' '}
              <Link href="/answers/inbox">{counted(mail.unread, 'letter')} to look at</Link>
            </>
          )}
          {mail.nobodys > 0 &&
            ` ${counted(mail.nobodys, 'letter')} could not be matched to a club on this server and ${mail.nobodys === 1 ? 'is' : 'are'} kept in .data/inbox/no-club.`}
        </>
      ),
    },
    {
      name: 'Letters out',
      well: mail.waiting === 0,
      says: `${mail.lastWritten ? `Last letter sent ${moment(mail.lastWritten)}.` : 'No letter has been sent yet.'}${mail.waiting > 0 ? ` ${counted(mail.waiting, 'letter')} waiting to be sent; the next try is within a minute.` : ''}`,
    },
    {
      name: 'Reminders',
      well: true,
      says: mail.lastAsked
        ? `Last checked for grafts to ask about ${moment(mail.lastAsked)}. This is done every hour.`
        : 'Not checked yet since the server started. This is done every hour.',
    },
  ];
}

function backupLines({ backup, drill, drillDue, startedAt, now }: ServerStatus): Line[] {
  const days = (since: Date | string): number => (now.getTime() - new Date(since).getTime()) / 86_400_000;
  // The first night is still to come on a new server.
  const backedUp = days(backup?.at ?? startedAt) < 2;
  return [
    {
      name: 'Backup',
      well: backedUp,
      says: backup
        ? `Last good backup ${moment(backup.at)}: ${backup.rows} rows, ${backup.letters} letters, ${megabytes(backup.bytes)}. It was restored as a test and was complete.${backup.encrypted ? ' It is encrypted with your key.' : ''}`
        : 'No backup has been made yet. One is made every night while Pear Bench runs.',
    },
    {
      name: 'Restore practice',
      well: !drillDue || backup === null,
      says: (
        <>
          {drill
            ? `Last done ${moment(drill.at)} with ${drill.file}: ${drill.rows} rows came back.`
            : 'Not done yet on this server.'}{' '}
          {drillDue && backup && (
            <>
              Once a year, practise restoring a backup on the server. This changes nothing:{' '}
              <code className="break-all">./restore .data/backups/{backup.file} --dry-run</code>
            </>
          )}
        </>
      ),
    },
  ];
}

function machineLines({ longestPause, faults, disk, memory, startedAt }: ServerStatus): Line[] {
  return [
    {
      name: 'Errors today',
      well: faults.length === 0,
      says:
        faults.length === 0 ? (
          'None.'
        ) : (
          <ul className="list-disc pl-5">
            {faults.map(({ what, times, last }) => (
              <li key={what}>
                {what}: {times === 1 ? 'once' : `${times} times`}, last at {moment(last)}.
              </li>
            ))}
          </ul>
        ),
    },
    {
      name: 'Longest pause today',
      well: (longestPause ?? 0) < LONG_PAUSE,
      says:
        longestPause === null
          ? 'Another process looks after this.'
          : `${longestPause < 10 ? 'Under 10' : Math.round(longestPause)} ms in which no page was answered.`,
    },
    {
      name: 'Disk',
      well: !disk.short,
      says: `${gigabytes(disk.free)} free of ${gigabytes(disk.all)}.${disk.short ? ' Free some room soon: without it nothing can be saved and no backup made.' : ''}`,
    },
    {
      name: 'Memory',
      well: memory.used < 1e9,
      says: `Pear Bench uses ${megabytes(memory.used)}, without the database. The machine has ${gigabytes(memory.free)} free of ${gigabytes(memory.all)}.`,
    },
    { name: 'Running since', well: true, says: moment(startedAt) },
  ];
}

/** One line for each thing that can go wrong on a server, with what to do where it has. */
export function StatusTable({ status }: { status: ServerStatus }) {
  return (
    <table className="w-full border-y border-line">
      <caption className="sr-only">Server status</caption>
      <tbody className="divide-y divide-line">
        {[...mailLines(status), ...backupLines(status), ...machineLines(status)].map(({ name, well, says }) => (
          <tr key={name} className="align-baseline">
            <th scope="row" className="w-48 py-2.5 pr-4 text-left font-bold max-sm:w-32">
              {name}
            </th>
            <td className="w-28 py-2.5 pr-4 whitespace-nowrap max-sm:hidden">
              {well ? (
                <span className="inline-flex items-baseline gap-1.5 text-muted">
                  <CircleCheck aria-hidden className="size-5 self-center" /> Fine
                </span>
              ) : (
                <span className="inline-flex items-baseline gap-1.5 font-bold">
                  <CircleAlert aria-hidden className="size-5 self-center" /> Check
                </span>
              )}
            </td>
            <td className="py-2.5">
              {!well && <span className="font-bold sm:hidden">Check: </span>}
              {says}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
