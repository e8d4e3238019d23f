import type { Metadata } from 'next';
import Link from 'next/link';
import { formatDate } from '@/core/units/iso-date';
import { counted } from '@/core/units/counted';
import { thisWeek, type WeekNote } from '@/server/aftercare/this-week';
import { looksAgain } from '@/server/follow-up/asks/looks-again';
import { ownLooks } from '@/server/follow-up/asks/own-looks';
import { WeekBoard } from '@/ui/aftercare/week/week-board';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'This week' };

/** The first page after signing in: what wants doing now, across all workshops. */
export default async function Week() {
  const context = await pageContext();
  const [{ today, until, groups, notes, missed, living, workshops, tags }, looks, drawn] = await Promise.all([
    thisWeek(context),
    ownLooks(context),
    looksAgain(context),
  ]);
  const besides = [...looks, ...drawn, ...notes];
  const { actor } = context;
  return (
    <>
      <Season />
      <main id="main" className="mx-auto grid max-w-[1240px] gap-x-8 px-4 py-5 lg:grid-cols-[1fr_20rem]">
        <div>
          <h1 className="mb-1">This week</h1>
          <p className="mb-3 text-muted">
            {formatDate(today)} to {formatDate(until)}. {counted(living, 'living union')} under care.
          </p>
          {tags.length + groups.length === 0 ? (
            <p className="board">
              {workshops === 0
                ? 'No workshop is planned yet. Plan the first one: it needs a title, a date, a site and a method.'
                : 'No plant is under care yet. Keepers are made on the Aftercare page of a workshop; then what they want is named here.'}
            </p>
          ) : (
            <WeekBoard
              me={{ id: actor.userId, name: actor.name }}
              mayChange={actor.role !== 'viewer'}
              groups={groups}
              tags={tags}
            />
          )}
          {missed > 0 && (
            <p className="max-w-prose text-sm text-muted">
              {counted(missed, 'task')} of earlier weeks {missed === 1 ? 'was' : 'were'} missed and{' '}
              {missed === 1 ? 'is' : 'are'} no longer asked for. {missed === 1 ? 'It stands' : 'They stand'} on the
              pages of the plants, where what was done after all can still be marked.
            </p>
          )}
        </div>
        <aside aria-label="Besides the plants">
          <h2 className="mb-1">Besides the plants</h2>
          {besides.length === 0 ? (
            <p className="text-muted">No round closes, no wood wants a look, nothing is to be ordered.</p>
          ) : (
            <ul className="divide-y divide-line border-y border-line">
              {besides.map((note) => (
                <Note key={note.id} note={note} late={note.kind !== 'told' && note.by < today} />
              ))}
            </ul>
          )}
          <p className="mt-4 flex flex-col gap-2">
            <Link className="bench-button" href="/visits">
              Plan visits
            </Link>
            <Link className="bench-button" href="/places">
              Where the plants stand
            </Link>
            <a className="bench-button" href="/api/care-calendar">
              As a calendar
            </a>
            {actor.role !== 'viewer' && (
              <Link className="bench-button" href="/workshops/new">
                Plan a workshop
              </Link>
            )}
            <Link className="bench-button" href="/season">
              The season and its workshops
            </Link>
          </p>
        </aside>
      </main>
    </>
  );
}

function Note({ note: { kind, words, detail, by, href }, late }: { note: WeekNote; late: boolean }) {
  return (
    <li className="py-2">
      <Link href={href} className="font-bold">
        {words}
      </Link>
      <p className="text-sm">{detail}</p>
      <p className={`text-sm ${late ? 'font-bold' : 'text-muted'}`}>
        {kind === 'told' ? 'Told on' : late ? 'Was due by' : 'By'} {formatDate(by)}
      </p>
    </li>
  );
}
