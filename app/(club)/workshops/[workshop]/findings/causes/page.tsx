import type { Metadata } from 'next';
import { causeBoard } from '@/server/findings/boards/cause-board';
import { CausesPage } from '../../../../_findings/causes';
import { workshopFindings } from '../../../../_findings/pages';

export const metadata: Metadata = { title: 'Why they died' };

export default workshopFindings(causeBoard, CausesPage);
