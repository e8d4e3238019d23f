import type { Metadata } from 'next';
import { AnswersDesk } from '@/ui/follow-up/entering/answers-desk';
import { pageContext } from '../../_http/session';

export const metadata: Metadata = { title: 'Answers' };

/** Answers as they are told by phone, on a visit, a slip or a bed list. */
export default async function Answers({ searchParams }: { searchParams: Promise<{ search?: string }> }) {
  const context = await pageContext();
  const { search } = await searchParams;
  if (context.actor.role === 'viewer') return <OnlyAssistants />;
  return (
    <AnswersDesk
      key={search ?? ''}
      search={typeof search === 'string' ? search.slice(0, 200) : ''}
      today={context.now.toISOString().slice(0, 10)}
    />
  );
}

function OnlyAssistants() {
  return <p className="board">Answers name people, so only the lead and assistants enter them.</p>;
}
