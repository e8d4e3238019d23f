import type { Metadata } from 'next';
import { listReplies } from '@/server/follow-up/inbox/replies';
import { InboxBoard } from '@/ui/follow-up/entering/inbox-board';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Replies by mail' };

/** Replies that came by mail. */
export default async function Inbox() {
  const context = await pageContext();
  if (context.actor.role === 'viewer')
    return <p className="board">Letters name people and addresses, so only the lead and assistants read them.</p>;
  const replies = await listReplies(context);
  return (
    <>
      <p className="mb-3 max-w-prose border-l-4 border-ink pl-3">
        <strong>Simulated.</strong> No mail service is connected: a letter has come when its .eml file lies in the
        folder <code>inbox</code> beside the outbox. It is read within a minute. What can be read beyond doubt is kept
        as answers; the rest stands here, and nothing of it is guessed.
      </p>
      <InboxBoard replies={replies} mayChange />
    </>
  );
}
