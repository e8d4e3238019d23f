import type { Metadata } from 'next';
import { causeBoard } from '@/server/findings/boards/cause-board';
import { CausesPage } from '../../_findings/causes';
import { clubFindings } from '../../_findings/pages';

export const metadata: Metadata = { title: 'Why they died, over the years' };

export default clubFindings(causeBoard, CausesPage);
