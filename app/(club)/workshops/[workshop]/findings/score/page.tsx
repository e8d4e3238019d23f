import type { Metadata } from 'next';
import { scoreBoard } from '@/server/findings/boards/score-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';
import { answered, type Asked } from '../../../../_findings/asked';
import { ScorePage } from '../../../../_findings/score';

export const metadata: Metadata = { title: 'What scores foretell' };

interface WorkshopPageProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<Asked>;
}

export default async function WorkshopScorePage({ params, searchParams }: WorkshopPageProps) {
  const [context, asked, { workshop: workshopId }] = await Promise.all([pageContext(), searchParams, params]);
  const { board, problem } = await orNotFound(answered(asked, { workshopId }, (filter) => scoreBoard(context, filter)));
  return <ScorePage board={board} problem={problem} />;
}
