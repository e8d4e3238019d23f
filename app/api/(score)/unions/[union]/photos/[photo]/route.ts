import { addPhoto } from '@/server/score/photos';
import { allow } from '@/server/platform/context';
import { handle } from '../../../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../../../_http/uploaded-file';

export const PUT = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const { bytes } = await uploadedFile(await uploadForm(request, 'picture'), 'picture');
  await addPhoto(context, params.union!, params.photo!, bytes);
});
