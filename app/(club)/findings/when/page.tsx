import type { Metadata } from 'next';
import { whenBoard } from '@/server/findings/boards/when-board';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { answered, type Asked } from '../../_findings/asked';
import { WhenPage } from '../../_findings/when';

export const metadata: Metadata = { title: 'When they die' };

export default async function ClubWhenPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => whenBoard(context, filter, asked.by)));
  return <WhenPage board={board} problem={problem} />;
}
