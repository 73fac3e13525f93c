import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { THEME_COOKIE } from '@/features/settings/show';
import { NoEval } from '@/ui/no-eval';
import './globals.css';

export const metadata: Metadata = {
  title: 'Jolly Kettle',
  description: 'Doses, schedules, logs and proves smoked sausages.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get(THEME_COOKIE)?.value;
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <body>
        <NoEval />
        {children}
      </body>
    </html>
  );
}
