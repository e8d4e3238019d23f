import type { Metadata } from 'next';
import { differsBoard } from '@/server/findings/boards/model-boards';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';
import { answered, type Asked } from '../../../../_findings/asked';
import { DiffersPage } from '../../../../_findings/differs';

export const metadata: Metadata = { title: 'What differs' };

interface WorkshopPageProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<Asked>;
}

export default async function WorkshopDiffersPage({ params, searchParams }: WorkshopPageProps) {
  const [context, asked, { workshop: workshopId }] = await Promise.all([pageContext(), searchParams, params]);
  const { board, problem } = await orNotFound(
    answered(asked, { workshopId }, (filter) => differsBoard(context, filter)),
  );
  return <DiffersPage board={board} problem={problem} />;
}
