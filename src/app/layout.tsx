import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { THEME_COOKIE } from '@/features/settings/show';
import { NONCE_HEADER } from '@/platform/content-policy';
import { buildId } from '@/platform/build-id';
import { NoEval } from '@/ui/no-eval';
import { EARLY_SCRIPT } from '@/ui/typed/early-script';
import { TypedKeeper } from '@/ui/typed/TypedKeeper';
import './globals.css';

export const metadata: Metadata = {
  title: 'Jolly Kettle',
  description: 'Doses, schedules, logs and proves smoked sausages.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get(THEME_COOKIE)?.value;
  const nonce = (await headers()).get(NONCE_HEADER) ?? undefined;
  return (
    <html lang="en" data-theme={theme} data-build={buildId()} suppressHydrationWarning>
      <body>
        <script nonce={nonce} suppressHydrationWarning>
          {EARLY_SCRIPT}
        </script>
        <NoEval />
        <TypedKeeper />
        {children}
      </body>
    </html>
  );
}
