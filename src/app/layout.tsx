import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { THEME_COOKIE } from '@/features/settings/show';
import './globals.css';

export const metadata: Metadata = {
  title: 'Jolly Kettle',
  description: 'Doses, schedules, logs and proves smoked sausages.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Follows the system until the reader has chosen; runs before the first paint. */
const FOLLOW_SYSTEM = `if(!document.documentElement.dataset.theme&&matchMedia('(prefers-color-scheme: dark)').matches)document.documentElement.dataset.theme='dark'`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get(THEME_COOKIE)?.value;
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: FOLLOW_SYSTEM }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
