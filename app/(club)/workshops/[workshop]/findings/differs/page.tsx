import type { Metadata } from 'next';
import { scopeView } from '@/server/findings/boards/scope';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';
import { answered, type Asked } from '../../../../_findings/asked';
import { DiffersPage } from '../../../../_findings/differs-page';

export const metadata: Metadata = { title: 'What differs' };

interface WorkshopPageProps {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<Asked>;
}

export default async function WorkshopDiffersPage({ params, searchParams }: WorkshopPageProps) {
  const [context, asked, { workshop: workshopId }] = await Promise.all([pageContext(), searchParams, params]);
  const { board, problem } = await orNotFound(answered(asked, { workshopId }, (filter) => scopeView(context, filter)));
  return <DiffersPage scope={board} problem={problem} />;
}
