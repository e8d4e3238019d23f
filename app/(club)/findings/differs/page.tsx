import type { Metadata } from 'next';
import { differsBoard } from '@/server/findings/boards/model-boards';
import { clubFindings } from '../../_findings/pages';
import { DiffersPage } from '../../_findings/differs';

export const metadata: Metadata = { title: 'What differs' };

export default clubFindings(differsBoard, DiffersPage);
