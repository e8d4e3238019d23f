import { exportClimate, importClimate, putClimate } from '@/server/club/sites';
import { allow } from '@/server/platform/context';
import { fileResponse, handle } from '../../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../../_http/uploaded-file';

export const GET = handle(async (context, { params }) =>
  fileResponse(await exportClimate(context, params.site!), 'text/csv; charset=utf-8', 'normals.csv'),
);

export const PUT = handle(async (context, { params, body }) => putClimate(context, params.site!, await body()));

/** From a CSV file. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await uploadForm(request);
  const { bytes } = await uploadedFile(data);
  const { notes } = await importClimate(
    context,
    params.site!,
    bytes,
    String(data.get('source') ?? ''),
    Number(data.get('version')),
  );
  return { notes };
});
