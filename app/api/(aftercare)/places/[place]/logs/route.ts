import { allow } from '@/server/platform/context';
import { addPlaceLog } from '@/server/aftercare/warmth/add-log';
import { handle } from '../../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../../_http/uploaded-file';

/** A file of the logger that lies in a place. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await uploadForm(request);
  const { name, bytes } = await uploadedFile(data);
  const { added, readings, notes } = await addPlaceLog(context, params.place!, name, bytes, {
    logId: data.get('logId'),
    unit: data.get('unit') ?? '',
    zone: data.get('zone') ?? '',
    anyway: data.get('anyway') === 'yes',
  });
  return { added, readings, notes };
});
