import { LeafPages } from '@/ui/kit/leaf-pages';

const PAGES = [
  ['', 'Bench'],
  ['/readiness', 'Readiness'],
  ['/cards', 'Cards'],
  ['/agreement', 'Agreement'],
  ['/rubric', 'Rubric'],
  ['/sheet', 'On paper'],
  ['/settings', 'Settings'],
] as const;

/** The pages of scoring. */
export function ScorePages({ workshopId }: { workshopId: string }) {
  return <LeafPages label="Pages of scoring" base={`/workshops/${workshopId}/score`} pages={PAGES} />;
}
