import { peopleOnRecord } from '@/server/aftercare/hand-on';
import { handle } from '../../../_http/handle';

export const GET = handle(async (context) => peopleOnRecord(context));
