import { restoreEvidence, strikeEvidence } from '@/server/findings/causes/strike-evidence';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => strikeEvidence(context, params.strike!, await body()));

export const DELETE = handle(async (context, { params }) => restoreEvidence(context, params.strike!));
