'use client';

import { Link } from '@/ui/link';
import { usePathname } from 'next/navigation';

const PLACES = [
  { href: '/', label: 'Floor', under: ['/batches'] },
  { href: '/recipes', label: 'Recipes', under: [] },
  { href: '/house', label: 'House', under: [] },
  { href: '/bench', label: 'Bench', under: [] },
  { href: '/stores', label: 'Stores', under: [] },
  { href: '/records', label: 'Records', under: [] },
  { href: '/settings', label: 'Settings', under: [] },
];

export function NavLinks() {
  const path = usePathname();
  return (
    <nav
      aria-label="Places"
      className="order-last -mx-3 flex w-[calc(100%+1.5rem)] justify-between sm:order-none sm:mx-0 sm:w-auto"
    >
      {PLACES.map((p) => {
        const here =
          p.href === '/'
            ? path === '/' || p.under.some((u) => path.startsWith(u))
            : path.startsWith(p.href);
        return (
          <Link
            key={p.href}
            href={p.href}
            aria-current={here ? 'page' : undefined}
            className={`flex min-h-12 items-center border-b-3 px-1 text-[0.82rem] text-ink sm:px-2.5 sm:text-base no-underline ${here ? 'border-accent font-semibold' : 'border-transparent'}`}
          >
            {p.label}
          </Link>
        );
      })}
    </nav>
  );
}
