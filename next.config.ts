import type { NextConfig } from 'next';

/** On every answer: pages, data, files, uploads and what the build made. Pages have their content policy from `src/proxy.ts`. */
const ALWAYS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=(), payment=()' },
];

/** Data is no page: nothing in it may be loaded or run, and it stands in no index. */
const DATA = [
  { key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'X-Robots-Tag', value: 'noindex, nofollow' },
];

const config: NextConfig = {
  headers: async () => [
    { source: '/:path*', headers: ALWAYS },
    { source: '/api/:path*', headers: DATA },
  ],
  // `./run test` checks types, of the tests too; who starts the demo does not wait for it.
  typescript: { ignoreBuildErrors: true },
  reactStrictMode: true,
  poweredByHeader: false,
  // They read files beside their own code.
  serverExternalPackages: ['exceljs', '@react-pdf/renderer', 'pg-boss', 'pino'],
  typedRoutes: false,
};

export default config;
