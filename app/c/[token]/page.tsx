import type { Metadata } from 'next';
import { cardByToken } from '@/server/score/cards';
import { PersonCardPage } from '@/ui/score/cards/person-card-page';
import { PrivateLink } from '../../_http/private-link';
import { services } from '../../_http/services';

export const metadata: Metadata = { title: 'Your card', robots: { index: false } };

export default async function Card({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return <PrivateLink opened={cardByToken(services(), token)} show={(card) => <PersonCardPage card={card} />} />;
}
