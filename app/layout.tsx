import { COLOURS } from '@/core/drawing/colours';
import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import { headers } from 'next/headers';
import { clockOffset } from '@/server/platform/clock';
import { StyleNonce } from '@/ui/kit/style-nonce';
import './globals.css';

const bench = localFont({
  variable: '--font-bench',
  display: 'swap',
  src: [
    { path: '../assets/fonts/atkinson-hyperlegible-next-latin-400-normal.woff2', weight: '400' },
    { path: '../assets/fonts/atkinson-hyperlegible-next-latin-700-normal.woff2', weight: '700' },
  ],
  declarations: [
    { prop: 'unicode-range', value: 'U+0000-00FF, U+0131, U+2000-206F, U+20AC, U+2122, U+2191-2193, U+2212, U+2215' },
  ],
});
const benchExt = localFont({
  variable: '--font-bench-ext',
  display: 'swap',
  preload: false,
  src: [
    { path: '../assets/fonts/atkinson-hyperlegible-next-latin-ext-400-normal.woff2', weight: '400' },
    { path: '../assets/fonts/atkinson-hyperlegible-next-latin-ext-700-normal.woff2', weight: '700' },
  ],
  declarations: [{ prop: 'unicode-range', value: 'U+0100-02BA, U+1E00-1EFF' }],
});

export const metadata: Metadata = {
  title: { default: 'Pear Bench', template: '%s · Pear Bench' },
  description: 'Grafting workshops: planned, taught, scored and followed up',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: COLOURS.paper };

/** Reads the request's nonce, so no page is made ahead of its request. */
export default async function RootLayout({ children }: { children: React.ReactNode }) {
  return (
    <html
      lang="en"
      className={`${bench.variable} ${benchExt.variable}`}
      data-clock-offset={clockOffset() === 0 ? undefined : clockOffset()}
    >
      <body>
        <StyleNonce nonce={(await headers()).get('x-nonce') ?? ''} />
        {children}
      </body>
    </html>
  );
}
