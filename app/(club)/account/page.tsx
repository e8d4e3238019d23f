import type { Metadata } from 'next';
import { DateTime } from 'luxon';
import { ownAccount } from '@/server/club/account';
import { hasCalendarAddress } from '@/server/club/calendar-address';
import { CalendarAddress } from '@/ui/club/calendar-address';
import { ClubsBoard } from '@/ui/club/clubs-board';
import { PasswordForm } from '@/ui/club/password-form';
import { SessionsBoard } from '@/ui/club/sessions-board';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Your account' };

const moment = (at: Date): string =>
  `${DateTime.fromJSDate(at, { zone: 'utc' }).setLocale('en-GB').toFormat('d LLL yyyy, HH:mm')} UTC`;

export default async function Account() {
  const context = await pageContext();
  const { actor } = context;
  const [{ email, sessions, clubs }, hasAddress] = await Promise.all([
    ownAccount(context),
    hasCalendarAddress(context),
  ]);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto grid max-w-[1240px] items-start gap-6 px-4 py-5 lg:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-6">
          <h1>
            {actor.name} <span className="text-base font-normal text-muted">{email}</span>
          </h1>
          <section aria-labelledby="sessions-title">
            <h2 id="sessions-title" className="mb-2">
              Where you are signed in
            </h2>
            <SessionsBoard
              sessions={sessions.map(({ createdAt, seenAt, ...session }) => ({
                ...session,
                since: moment(createdAt),
                seen: moment(seenAt),
              }))}
            />
          </section>
          <section aria-labelledby="clubs-title">
            <h2 id="clubs-title" className="mb-2">
              Your clubs
            </h2>
            <ClubsBoard clubs={clubs} here={actor.clubId} />
          </section>
          <section aria-labelledby="calendar-title">
            <h2 id="calendar-title" className="mb-2">
              Your calendar
            </h2>
            <CalendarAddress has={hasAddress} />
          </section>
        </div>
        <section className="board" aria-labelledby="password-title">
          <h2 id="password-title" className="mb-2">
            Password
          </h2>
          <PasswordForm email={email} />
        </section>
      </main>
    </>
  );
}
