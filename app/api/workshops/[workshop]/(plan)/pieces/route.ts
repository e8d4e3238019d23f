import { allow } from '@/server/platform/context';
import { importPieces } from '@/server/plan/measured-wood';
import { handle } from '../../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../../_http/uploaded-file';

/** Measured sticks or stocks from a CSV file. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await uploadForm(request);
  const { bytes } = await uploadedFile(data);
  return importPieces(context, params.workshop!, bytes, {
    importId: data.get('importId'),
    kind: data.get('kind'),
    lotId: data.get('lotId'),
  });
});
