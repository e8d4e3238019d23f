import { allow } from '@/server/platform/context';
import { addLoggerRun } from '@/server/plan/wood-ledger';
import { handle } from '../../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../../_http/uploaded-file';

/** A temperature log of the store. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await uploadForm(request);
  const { name, bytes } = await uploadedFile(data);
  const run = await addLoggerRun(context, params.lot!, name, bytes, {
    runId: data.get('runId'),
    unit: data.get('unit') ?? '',
    siteId: data.get('siteId') ?? '',
  });
  return { notes: run.notes };
});
