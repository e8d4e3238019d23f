import type { Metadata } from 'next';
import { takeBoard } from '@/server/findings/boards/take-board';
import { orNotFound } from '../../_http/or-not-found';
import { pageContext } from '../../_http/session';
import { answered, type Asked } from '../_findings/asked';
import { TakePage } from '../_findings/take';

export const metadata: Metadata = { title: 'Findings over the years' };

export default async function ClubTakePage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [context, asked] = await Promise.all([pageContext(), searchParams]);
  const { board, problem } = await orNotFound(answered(asked, {}, (filter) => takeBoard(context, filter)));
  return <TakePage board={board} problem={problem} />;
}
