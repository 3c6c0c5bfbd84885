import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // They read files beside their own code.
  serverExternalPackages: ['exceljs', '@react-pdf/renderer'],
  typedRoutes: false,
};

export default config;
