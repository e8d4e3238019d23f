import { ownCopy } from '@/server/follow-up/grower/own-copy';
import { growerRefusal, nonceOf } from '../../../_http/grower-pages';
import { services } from '../../../_http/services';

/** All that is kept about whoever holds the link, as JSON. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const opening = { services: services(), token, nonce: nonceOf(request) };
  try {
    return new Response(`${JSON.stringify(await ownCopy(opening.services, token), null, 2)}\n`, {
      headers: {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': 'attachment; filename="my-grafts.json"',
        'Cache-Control': 'no-store',
      },
    });
  } catch (error) {
    return growerRefusal(error, opening);
  }
}
