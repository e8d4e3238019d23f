import type { Metadata } from 'next';
import { wallBlocks, wallState } from '@/server/score/wall';
import { Wall } from '@/ui/score/wall/wall';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'The wall' };

export default async function WallPage({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  return <Wall workshopId={id} initial={await wallState(context, id, await orNotFound(wallBlocks(context, id)))} />;
}
