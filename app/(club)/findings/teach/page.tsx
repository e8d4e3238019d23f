import type { Metadata } from 'next';
import { teachBoard } from '@/server/findings/boards/model-boards';
import { clubFindings } from '../../_findings/pages';
import { TeachPage } from '../../_findings/teach';

export const metadata: Metadata = { title: 'What to teach next' };

export default clubFindings(teachBoard, TeachPage);
