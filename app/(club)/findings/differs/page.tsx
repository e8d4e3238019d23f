import type { Metadata } from 'next';
import { differsBoard } from '@/server/findings/boards/model-boards';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { answered, type Asked } from '../../_findings/asked';
import { DiffersPage } from '../../_findings/differs';

export const metadata: Metadata = { title: 'What differs' };

export default async function ClubDiffersPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => differsBoard(context, filter)));
  return <DiffersPage board={board} problem={problem} />;
}
