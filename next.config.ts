import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // ./kettle test checks the types of everything; a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['pg', '@react-pdf/renderer'],
  experimental: { serverActions: { bodySizeLimit: '12mb' } },
};

export default config;
