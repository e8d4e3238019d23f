import { addLiveReadings } from '@/server/aftercare/warmth/live-readings';
import { readingsStamp } from '@/server/aftercare/warmth/readings-stamp';
import { handle } from '../../../../../_http/handle';

/** How many readings there are, so that a page that shows them knows when there are more. */
export const GET = handle(async (context, { params }) => readingsStamp(context, params.place!), { stays: true });

/** Readings of a logger that speaks live. */
export const POST = handle(async (context, { params, body }) => addLiveReadings(context, params.place!, await body()), {
  mostJson: 200_000,
});
