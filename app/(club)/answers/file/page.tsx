import type { Metadata } from 'next';
import { AnswersFile } from '@/ui/follow-up/entering/answers-file';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Answers from a file' };

/** Answers from CSV. */
export default async function AnswersFromFile() {
  const { actor } = await pageContext();
  if (actor.role === 'viewer')
    return <p className="board">Answers name people, so only the lead and assistants enter them.</p>;
  return <AnswersFile unit={actor.lengthUnit} />;
}
