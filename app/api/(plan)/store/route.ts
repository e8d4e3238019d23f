import { putStore } from '@/server/plan/quantities';
import { handle } from '../../../_http/handle';

export const PUT = handle(async (context, { body }) => putStore(context, await body()));
