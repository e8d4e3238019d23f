import type { Metadata } from 'next';
import { whenBoard } from '@/server/findings/boards/when-board';
import { workshopFindings } from '../../../../_findings/pages';
import { WhenPage } from '../../../../_findings/when';

export const metadata: Metadata = { title: 'When they die' };

export default workshopFindings((context, filter, { by }) => whenBoard(context, filter, by), WhenPage);
