import type { Metadata } from 'next';
import { whenBoard } from '@/server/findings/boards/when-board';
import { clubFindings } from '../../_findings/pages';
import { WhenPage } from '../../_findings/when';

export const metadata: Metadata = { title: 'When they die' };

export default clubFindings((context, filter, { by }) => whenBoard(context, filter, by), WhenPage);
