import type { Metadata } from 'next';
import Link from 'next/link';
import { RosterReader } from '@/ui/plan/roster/roster-reader';

export const metadata: Metadata = { title: 'Read a roster' };

export default async function ReadRoster({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop } = await params;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h1>Read a roster</h1>
        <Link href={`/workshops/${workshop}/plan`} className="bench-button">
          Back to the plan
        </Link>
      </div>
      <RosterReader workshopId={workshop} />
    </>
  );
}
