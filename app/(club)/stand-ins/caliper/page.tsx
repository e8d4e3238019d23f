import type { Metadata } from 'next';
import { Caliper } from '@/ui/kit/stand-ins/caliper';

export const metadata: Metadata = { title: 'Simulated caliper' };

export default function CaliperPage() {
  return (
    <main id="main" className="mx-auto max-w-xl px-4 py-5">
      <h1>Caliper, simulated</h1>
      <p className="mb-4 text-muted">
        Types its figure and Enter into the field in use in another window of this browser, as a caliper on a cable
        would. It measures nothing.
      </p>
      <Caliper />
    </main>
  );
}
