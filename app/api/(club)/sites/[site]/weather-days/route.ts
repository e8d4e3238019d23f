import { allow } from '@/server/platform/context';
import { readWeatherFile, typeWeather } from '@/server/plan/enter-weather';
import { handle } from '../../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../../_http/uploaded-file';

/** Days that were read off. */
export const PUT = handle(async (context, { params, body }) => typeWeather(context, params.site!, await body()));

/** Days from CSV. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const { bytes } = await uploadedFile(await uploadForm(request));
  return readWeatherFile(context, params.site!, bytes);
});
