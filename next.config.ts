import type { NextConfig } from 'next';

/** On every answer: pages, data, files, uploads and what the build made. Pages add their content policy in `src/proxy.ts`. */
const ALWAYS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=(), payment=()' },
];

const config: NextConfig = {
  headers: async () => [{ source: '/:path*', headers: ALWAYS }],
  reactStrictMode: true,
  poweredByHeader: false,
  // They read files beside their own code.
  serverExternalPackages: ['exceljs', '@react-pdf/renderer', 'pino'],
  typedRoutes: false,
};

export default config;
