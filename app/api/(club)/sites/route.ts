import { addSite } from '@/server/club/sites';
import { handle } from '../../../_http/handle';

export const POST = handle(async (context, { body }) => addSite(context, await body()));
