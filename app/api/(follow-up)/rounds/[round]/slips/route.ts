import { printSlips } from '@/server/follow-up/print-slips';
import { fileResponse, handle } from '../../../../../_http/handle';

/** A slip may carry a new private link, so printing is a write. */
export const POST = handle(async (context, { params, body }) =>
  fileResponse(await printSlips(context, params.round!, await body()), 'application/pdf', 'slips.pdf', 'inline'),
);
