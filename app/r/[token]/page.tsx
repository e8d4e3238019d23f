import type { Metadata } from 'next';
import { growerPage } from '@/server/follow-up/grower-page';
import { GrowerAnswers } from '@/ui/follow-up/grower-answers';
import { PrivateLink } from '../../_http/private-link';
import { services } from '../../_http/services';

export const metadata: Metadata = { title: 'Your grafts', robots: { index: false } };

export default async function Grower({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return (
    <PrivateLink opened={growerPage(services(), token)} show={(page) => <GrowerAnswers token={token} page={page} />} />
  );
}
