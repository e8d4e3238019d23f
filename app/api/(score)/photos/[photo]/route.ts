import { putPhotoScale, readPhoto, removePhoto } from '@/server/score/photos';
import { handle } from '../../../../_http/handle';

/** The bytes behind an id never change, so a browser may keep them; others in between may not. */
export const GET = handle(
  async (context, { params }) =>
    new Response(new Uint8Array(await readPhoto(context, params.photo!)), {
      headers: {
        'Content-Type': 'image/jpeg',
        'Cache-Control': 'private, max-age=86400, immutable',
        'Content-Disposition': 'inline',
      },
    }),
);

export const PUT = handle(async (context, { params, body }) => putPhotoScale(context, params.photo!, await body()));

export const DELETE = handle(async (context, { params }) => removePhoto(context, params.photo!));
