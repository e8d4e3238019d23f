import type { Metadata } from 'next';
import { teachBoard } from '@/server/findings/boards/model-boards';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';
import { answered, type Asked } from '../../../../_findings/asked';
import { TeachPage } from '../../../../_findings/teach';

export const metadata: Metadata = { title: 'What to teach next' };

interface WorkshopPageProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<Asked>;
}

export default async function WorkshopTeachPage({ params, searchParams }: WorkshopPageProps) {
  const [context, asked, { workshop: workshopId }] = await Promise.all([pageContext(), searchParams, params]);
  const { board, problem } = await orNotFound(answered(asked, { workshopId }, (filter) => teachBoard(context, filter)));
  return <TeachPage board={board} problem={problem} />;
}
