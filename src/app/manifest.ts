import type { MetadataRoute } from 'next';

/** What a device shows when the application is put on its home screen. */
const manifest = (): MetadataRoute.Manifest => ({
  id: '/',
  name: 'Jolly Kettle',
  short_name: 'Kettle',
  description: 'Doses, schedules, logs and proves smoked sausages.',
  start_url: '/',
  scope: '/',
  display: 'standalone',
  background_color: '#f7f2e8',
  theme_color: '#0b5d5a',
  icons: [
    { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
    { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
    { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
    { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
  ],
});
export default manifest;
