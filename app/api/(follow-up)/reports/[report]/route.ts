import { enterReport } from '@/server/follow-up/entering/enter-report';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => enterReport(context, params.report!, await body()));
