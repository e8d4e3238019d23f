import type { Metadata } from 'next';
import { whenBoard } from '@/server/findings/boards/when-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';
import { answered, type Asked } from '../../../../_findings/asked';
import { WhenPage } from '../../../../_findings/when';

export const metadata: Metadata = { title: 'When they die' };

interface WorkshopPageProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<Asked>;
}

export default async function WorkshopWhenPage({ params, searchParams }: WorkshopPageProps) {
  const [context, asked, { workshop: workshopId }] = await Promise.all([pageContext(), searchParams, params]);
  const { board, problem } = await orNotFound(
    answered(asked, { workshopId }, (filter) => whenBoard(context, filter, asked.by)),
  );
  return <WhenPage board={board} problem={problem} />;
}
