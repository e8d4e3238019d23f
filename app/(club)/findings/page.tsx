import type { Metadata } from 'next';
import { takeBoard } from '@/server/findings/boards/take-board';
import { clubFindings } from '../_findings/pages';
import { TakePage } from '../_findings/take';

export const metadata: Metadata = { title: 'Findings over the years' };

export default clubFindings(takeBoard, TakePage);
