import { isId } from '@/core/inputs/fields';
import { GrowerError } from '@/server/follow-up/grower/grower-error';
import { saveGrowerPhoto } from '@/server/follow-up/grower/save-answers';
import { handleGrower } from '../../../../../../_http/handle-grower';
import { readBytes } from '../../../../../../_http/read-body';

/** A photo of 40 megapixels, and then some. */
const MOST_PHOTO = 40_000_000;

/** A photo of one of the grower's own grafts: its bytes, and of which in the address. */
export const PUT = handleGrower(async (services, { params, request }) => {
  const unionId = new URL(request.url).searchParams.get('union') ?? '';
  if (!isId(unionId)) throw new GrowerError('invalid', 'error.choice');
  const bytes = await readBytes(request, MOST_PHOTO, 'too large').catch(() => {
    throw new GrowerError('too-large', 'error.photo-large');
  });
  await saveGrowerPhoto(services, params.token!, { unionId, photoId: params.photo! }, bytes);
});
