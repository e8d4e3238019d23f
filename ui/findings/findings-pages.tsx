import { SubPages } from '@/ui/kit/sub-pages';

const PAGES = [
  ['', 'Take'],
  ['/causes', 'Why they died'],
] as const;

/** The pages of a workshop's findings. */
export function FindingsPages({ workshopId }: { workshopId: string }) {
  return <SubPages label="Pages of findings" base={`/workshops/${workshopId}/findings`} pages={PAGES} />;
}
