import type { Metadata } from 'next';
import { scoreBoard } from '@/server/findings/boards/score-board';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { answered, type Asked } from '../../_findings/asked';
import { ScorePage } from '../../_findings/score';

export const metadata: Metadata = { title: 'What scores foretell' };

export default async function ClubScorePage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => scoreBoard(context, filter)));
  return <ScorePage board={board} problem={problem} />;
}
