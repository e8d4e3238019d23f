import type { Metadata } from 'next';
import { teachBoard } from '@/server/findings/boards/model-boards';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { answered, type Asked } from '../../_findings/asked';
import { TeachPage } from '../../_findings/teach';

export const metadata: Metadata = { title: 'What to teach next' };

export default async function ClubTeachPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => teachBoard(context, filter)));
  return <TeachPage board={board} problem={problem} />;
}
