import type { FateBoard } from './fate-board';
import { counted } from '../../units/counted';

/** How many died of how many, and of how many one knows why. */
export function fatesSentence({ marks, deaths }: Pick<FateBoard, 'marks' | 'deaths'>): string {
  const known = marks.filter(({ state }) => state !== 'unknown').length;
  if (known === 0) return 'Nothing is known yet of who lives';
  if (deaths.length === 0) return `None of ${counted(known, 'union')} heard of has died`;
  const why = deaths.filter(({ verdict, settled }) => (settled ? settled.cause !== '' : verdict !== null)).length;
  return `${deaths.length} of ${known} died; why is known of ${why}`;
}
