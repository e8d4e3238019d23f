import { SubPages } from '@/ui/kit/sub-pages';

const PAGES = [
  ['', 'Day and people'],
  ['/season', 'Season'],
  ['/dates', 'Dates'],
  ['/quantities', 'Quantities'],
  ['/wood', 'Wood'],
  ['/pairs', 'Pairs'],
  ['/benches', 'Benches'],
  ['/ready', 'Ready check'],
] as const;

/** The pages of the plan. The roster's reader belongs to the first. */
export function PlanPages({ workshopId }: { workshopId: string }) {
  return <SubPages label="Pages of the plan" base={`/workshops/${workshopId}/plan`} pages={PAGES} />;
}
