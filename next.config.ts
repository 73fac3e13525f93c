import type { NextConfig } from 'next';

/** What holds for every answer; the content policy of pages stands in src/proxy.ts. */
const ALWAYS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'same-origin' },
  {
    key: 'Permissions-Policy',
    value: 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=()',
  },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
];

const config: NextConfig = {
  headers: async () => [
    { source: '/:path*', headers: ALWAYS },
    { source: '/api/:path*', headers: [{ key: 'Cache-Control', value: 'no-store' }] },
  ],
  /* The title stands in the first bytes of a page, for readers that do not wait for more. */
  htmlLimitedBots: /.*/,
  poweredByHeader: false,
  // ./kettle test checks the types of everything; a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['pg', '@react-pdf/renderer', 'tinypool'],
  /* ./kettle dev is reached by this name too. */
  allowedDevOrigins: ['127.0.0.1'],
  experimental: { serverActions: { bodySizeLimit: '12mb' } },
};

export default config;
