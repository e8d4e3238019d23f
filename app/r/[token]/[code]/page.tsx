import type { Metadata } from 'next';
import { growerPlant } from '@/server/follow-up/grower/grower-plant';
import { GrowerPlantPage } from '@/ui/follow-up/grower-plant-page';
import { refusalWords, wordingOfLink } from '../../../_http/grower-pages';
import { PrivateLink } from '../../../_http/private-link';
import { services } from '../../../_http/services';

export const metadata: Metadata = { title: 'A graft of yours', robots: { index: false } };

export default async function GrowerPlant({ params }: { params: Promise<{ token: string; code: string }> }) {
  const { token, code } = await params;
  return (
    <PrivateLink
      opened={growerPlant(services(), token, decodeURIComponent(code))}
      refused={async (error) => {
        const wording = await wordingOfLink(services(), token);
        return { heading: wording.say('error.heading'), words: refusalWords(error, wording) };
      }}
      show={({ page, wording }) => <GrowerPlantPage token={token} page={page} wording={wording} />}
    />
  );
}
