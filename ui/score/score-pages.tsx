import { SubPages } from '@/ui/kit/sub-pages';

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
  return <SubPages label="Pages of scoring" base={`/workshops/${workshopId}/score`} pages={PAGES} />;
}
