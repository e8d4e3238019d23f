import type { NextConfig } from 'next';

const config: NextConfig = {
  // The checks build into a folder of their own, so that a running server keeps its build.
  distDir: process.env.PEAR_BENCH_BUILD ?? '.next',
  serverExternalPackages: [
    'sequelize',
    'mariadb',
    'umzug',
    'pdfkit',
    '@node-rs/argon2',
    'nodemailer',
    'mailparser',
    'sharp',
    'manifold-3d',
    'piscina',
  ],
  // The build of the checks has a twelfth method, made up: what it takes to add one is seen end to end.
  ...(process.env.PEAR_BENCH_BUILD === '.next-check'
    ? { turbopack: { resolveAlias: { '@/core/methods/more-methods': './core/methods/testing/twelfth.ts' } } }
    : {}),
  experimental: {
    // A page is loaded when it is first asked for: all of them at once take 200 MB before anybody came.
    preloadEntriesOnStart: false,
    // Written for every build and read by nobody.
    turbopackSourceMaps: false,
    serverSourceMaps: false,
    turbopackFileSystemCacheForBuild: false,
  },
  // ops/serve.ts does, with less work.
  compress: false,
  poweredByHeader: false,
  devIndicators: false,
  // The check asks for types by themselves; nobody who starts it waits for them.
  typescript: { ignoreBuildErrors: true },
  // Browsers ask for it beside files of their own viewers, and where a page's head comes late.
  rewrites: async () => [{ source: '/favicon.ico', destination: '/icon.svg' }],
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(self), geolocation=(), microphone=()' },
      ],
    },
    // Answers of routes are data and files; a PDF is shown by the browser's own viewer.
    {
      source: '/api/:path*',
      headers: [
        {
          key: 'Content-Security-Policy',
          value:
            "default-src 'none'; object-src 'self'; style-src 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'none'",
        },
      ],
    },
    // The path of a private link is its secret: it is told to nobody, and not kept by caches.
    ...['/r/:path*', '/c/:path*', '/password/:path*'].map((source) => ({
      source,
      headers: [
        { key: 'Referrer-Policy', value: 'no-referrer' },
        { key: 'Cache-Control', value: 'no-store' },
        { key: 'X-Robots-Tag', value: 'noindex' },
      ],
    })),
  ],
};

export default config;
