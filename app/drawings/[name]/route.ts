import { drawingFileOf } from '@/server/teach/drawing-files';
import { UseCaseError } from '@/server/platform/use-case-error';
import { currentActor } from '../../_http/session';

/** A drawing of a step as SVG. Its name is the hash of what is in it, so browsers keep it for good. */
export async function GET(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  const query = Object.fromEntries(new URL(request.url).searchParams);
  try {
    const { svg, same } = await drawingFileOf(name, query, (await currentActor()) !== null);
    return new Response(svg, {
      headers: {
        'Content-Type': 'image/svg+xml',
        'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'",
        'Cache-Control': same ? 'public, max-age=31536000, immutable' : 'no-store',
      },
    });
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
    return new Response(error.message, { status: 404 });
  }
}
