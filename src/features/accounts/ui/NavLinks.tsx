'use client';

import { Link } from '@/ui/link';
import { usePathname } from 'next/navigation';

/** The places of the bar, in its order. */
export const PLACES = [
  { href: '/', label: 'Floor', under: ['/batches'] },
  { href: '/plan', label: 'Plan', under: [] },
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
      className="flex min-w-0 flex-1 overflow-x-auto sm:flex-none sm:overflow-visible"
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
            className={`flex min-h-12 items-center border-b-3 px-2 text-ink sm:px-2.5 no-underline ${here ? 'border-accent font-semibold' : 'border-transparent'}`}
          >
            {p.label}
          </Link>
        );
      })}
    </nav>
  );
}
