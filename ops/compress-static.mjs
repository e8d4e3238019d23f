import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

/*
 * node ops/compress-static.mjs FOLDER
 * Writes scripts and styles of a build compressed as well, once and as small as they get; serve.ts hands them out.
 */

/** Smaller ones gain nothing. */
const LEAST = 1000;
const root = join(process.argv[2], 'static');
for (const name of readdirSync(root, { recursive: true, encoding: 'utf8' })) {
  if (!/\.(js|css|svg|txt|json)$/.test(name)) continue;
  const bytes = readFileSync(join(root, name));
  if (bytes.length < LEAST) continue;
  writeFileSync(join(root, `${name}.gz`), gzipSync(bytes, { level: 9 }));
  const params = { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
  writeFileSync(join(root, `${name}.br`), brotliCompressSync(bytes, { params }));
}
