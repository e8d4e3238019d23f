import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

const FILES: Record<string, string> = {
  '400.woff2': 'atkinson-hyperlegible-next-latin-400-normal.woff2',
  '700.woff2': 'atkinson-hyperlegible-next-latin-700-normal.woff2',
};

/** The font of pages that are no part of the build. */
export async function GET(_request: Request, { params }: { params: Promise<{ weight: string }> }): Promise<Response> {
  const { weight } = await params;
  const file = Object.hasOwn(FILES, weight) ? FILES[weight] : undefined;
  if (!file) return new Response(null, { status: 404 });
  const bytes = await readFile(join(/* turbopackIgnore: true */ process.cwd(), 'assets', 'fonts', file));
  return new Response(new Uint8Array(bytes), {
    headers: { 'Content-Type': 'font/woff2', 'Cache-Control': 'public, max-age=31536000, immutable' },
  });
}
