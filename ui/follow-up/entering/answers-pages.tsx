import { SubPages } from '@/ui/kit/sub-pages';

const PAGES = [
  ['', 'Phone, visit, slip, bed list'],
  ['/file', 'From a file'],
  ['/inbox', 'Replies by mail'],
] as const;

/** The ways in for answers, besides the growers' own page. */
export function AnswersPages() {
  return <SubPages label="Ways in for answers" base="/answers" pages={PAGES} />;
}
