import type { Metadata } from 'next';
import { scoreBoard } from '@/server/findings/boards/score-board';
import { clubFindings } from '../../_findings/pages';
import { ScorePage } from '../../_findings/score';

export const metadata: Metadata = { title: 'What scores foretell' };

export default clubFindings(scoreBoard, ScorePage);
