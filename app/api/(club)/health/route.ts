import { health } from '@/server/platform/health';
import { database } from '../../../_http/services';

export const dynamic = 'force-dynamic';

export async function GET(): Promise<Response> {
  const state = await health(database());
  return Response.json(state, { status: state.ok ? 200 : 503, headers: { 'Cache-Control': 'no-store' } });
}
