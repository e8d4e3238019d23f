import type { Metadata } from 'next';
import { DateTime } from 'luxon';
import { outbox, type OutboxMessage, waitingLetters } from '@/server/platform/outbox';
import { UseCaseError } from '@/server/platform/use-case-error';
import { PhoneBanner } from '@/ui/club/phone-banner';
import { onlyThisMachine } from '../../_http/services';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Outbox (simulated)' };

export default async function Outbox() {
  const context = await pageContext();
  const refused = context.actor.role === 'viewer';
  const messages = refused
    ? []
    : await outbox(context).catch((error: unknown) => {
        if (error instanceof UseCaseError) return [];
        throw error;
      });
  const waiting = refused ? { count: 0, since: null } : await waitingLetters(context);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <h1>Outbox</h1>
        <p className="mb-3 max-w-prose border-l-4 border-ink pl-3">
          <strong>Simulated.</strong> No mail service is connected: messages are written as .eml files to a folder, and
          shown here as they would have been sent. Links in them work. Who left a number and no address gets a text
          message, through a simulated gateway: a letter to their number at texts.pear-bench.invalid, and what comes
          back from there lies in the inbox folder like any other. Letters about accounts are in the folder only: their
          links are for their readers alone.
        </p>
        {waiting.count > 0 && (
          <p role="status" className="mb-3 max-w-prose border-l-4 border-loud pl-3">
            <strong>
              {waiting.count} {waiting.count === 1 ? 'letter waits' : 'letters wait'} to be handed over
            </strong>
            , the oldest since {moment(waiting.since!)}. They go out by themselves within a minute; if they do not, look
            whether the outbox folder can be written to.
          </p>
        )}
        {onlyThisMachine() && <PhoneBanner />}
        {refused ? (
          <p className="board">Messages hold private links, so only the lead and assistants read them.</p>
        ) : messages.length === 0 ? (
          <p className="board">
            Nothing has been sent yet. Open a round on the Follow-up page of a workshop, and write to its growers.
          </p>
        ) : (
          batches(messages).map(({ key, subject, at, sent }) => (
            <section key={key} className="mb-5 grid gap-x-6 border-t-2 border-ink pt-2 sm:grid-cols-[15rem_1fr]">
              <div>
                <h2>{subject}</h2>
                <p className="text-muted">{at}</p>
                <p className="text-muted">{sent.length === 1 ? 'one message' : `${sent.length} messages`}</p>
              </div>
              <ul className="divide-y divide-line">
                {sent.map((message) => (
                  <li key={message.id}>
                    <details>
                      <summary className="min-h-11 cursor-pointer py-2">{message.to}</summary>
                      {message.text === null ? (
                        <p className="pb-3 text-muted">Erased with its person.</p>
                      ) : (
                        <pre
                          className="mb-3 overflow-x-auto bg-mist p-3 font-sans whitespace-pre-wrap"
                          tabIndex={0}
                          aria-label={`Message to ${message.to}`}
                        >
                          {linked(message.text)}
                        </pre>
                      )}
                    </details>
                  </li>
                ))}
              </ul>
            </section>
          ))
        )}
      </main>
    </>
  );
}

function moment(at: Date): string {
  return `${DateTime.fromJSDate(new Date(at), { zone: 'utc' }).setLocale('en-GB').toFormat('d LLL yyyy, HH:mm')} UTC`;
}

/** Messages that went out together, latest first. */
function batches(messages: OutboxMessage[]): { key: string; subject: string; at: string; sent: OutboxMessage[] }[] {
  const groups = new Map<string, OutboxMessage[]>();
  for (const message of messages) {
    const key = `${message.at.toISOString()} ${message.subject}`;
    groups.set(key, [...(groups.get(key) ?? []), message]);
  }
  return [...groups].map(([key, sent]) => ({
    key,
    sent,
    subject: sent[0]!.subject,
    at: moment(sent[0]!.at),
  }));
}

/** The text with its addresses as links, as a mail program shows it. */
function linked(text: string) {
  return text.split(/(https?:\/\/\S+)/).map((part, i) =>
    i % 2 === 1 ? (
      <a key={i} href={part} rel="noreferrer">
        {part}
      </a>
    ) : (
      part
    ),
  );
}
