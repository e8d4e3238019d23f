import type { Metadata } from 'next';
import { scoringSettings } from '@/server/score/scoring-settings';
import { getWorkshop } from '@/server/plan/workshops';
import { ScoringSettingsForm } from '@/ui/score/rubric/scoring-settings-form';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Settings of scoring' };

export default async function ScoringSettings({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  await orNotFound(getWorkshop(context, id));
  const { version, ...settings } = await scoringSettings(context, id);
  return (
    <>
      <h1 className="mb-3">How this workshop is scored</h1>
      <ScoringSettingsForm
        workshopId={id}
        version={version}
        settings={settings}
        mayChange={context.actor.role !== 'viewer'}
      />
    </>
  );
}
