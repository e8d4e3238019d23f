import type { Metadata } from 'next';
import { DateTime } from 'luxon';
import { deliverQueued, outbox } from '@/server/round-messages';
import { UseCaseError } from '@/server/use-case-error';
import { PhoneBanner } from '@/ui/club/phone-banner';
import { onlyThisMachine } from '../../_http/services';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Outbox (simulated)' };

export default async function Outbox() {
  const context = await pageContext();
  const refused = context.actor.role === 'viewer';
  // What a server that died had left waiting goes out now.
  if (!refused) await deliverQueued(context);
  const messages = refused ? [] : await outbox(context).catch((error: unknown) => { if (error instanceof UseCaseError) return []; throw error; });
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <h1>Outbox</h1>
        <p className="mb-3 max-w-prose border-l-4 border-ink pl-3"><strong>Simulated.</strong> No mail service is connected: messages are written as .eml files to a folder, and shown here as they would have been sent. Links in them work.</p>
        {onlyThisMachine() && <PhoneBanner />}
        {refused ? (
          <p className="board">Messages hold private links, so only the lead and assistants read them.</p>
        ) : messages.length === 0 ? (
          <p className="board">Nothing has been sent yet. Open a round on the follow-up leaf of a workshop, and write to its growers.</p>
        ) : (
          <ul className="flex flex-col">
            {messages.map((message) => (
              <li key={message.id} className="border-b border-line">
                <details>
                  <summary className="grid min-h-11 cursor-pointer gap-x-4 py-2 sm:grid-cols-[11rem_18rem_1fr]">
                    <span className="text-muted">{DateTime.fromJSDate(message.at, { zone: 'utc' }).setLocale('en-GB').toFormat('d LLL yyyy, HH:mm')} UTC</span>
                    <span className="truncate">{message.to}</span>
                    <span className="font-bold">{message.subject}</span>
                  </summary>
                  {message.text === null ? <p className="pb-3 text-muted">Erased with its person.</p> : <pre className="mb-3 overflow-x-auto bg-mist p-3 font-sans whitespace-pre-wrap" tabIndex={0}>{linked(message.text)}</pre>}
                </details>
              </li>
            ))}
          </ul>
        )}
      </main>
    </>
  );
}

/** The text with its addresses as links, as a mail program shows it. */
function linked(text: string) {
  return text.split(/(https?:\/\/\S+)/).map((part, i) => (i % 2 === 1 ? <a key={i} href={part} rel="noreferrer">{part}</a> : part));
}
