import type { NextConfig } from 'next';

const config: NextConfig = {
  /* The title stands in the first bytes of a page, for readers that do not wait for more. */
  htmlLimitedBots: /.*/,
  poweredByHeader: false,
  // ./kettle test checks the types of everything; a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['pg', '@react-pdf/renderer', 'tinypool'],
  experimental: { serverActions: { bodySizeLimit: '12mb' } },
};

export default config;
