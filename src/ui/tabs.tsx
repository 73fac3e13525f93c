'use client';

import { usePathname } from 'next/navigation';
import { Link } from './link';

/** The sections of a place, each with an address of its own. */
export function Tabs({
  label,
  tabs,
}: {
  label: string;
  tabs: readonly (readonly [href: string, name: string])[];
}) {
  const path = usePathname();
  return (
    <nav aria-label={label} className="no-print flex gap-1 overflow-x-auto">
      {tabs.map(([href, name]) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href ? 'page' : undefined}
          className={`flex min-h-12 items-center border-b-3 px-3 whitespace-nowrap text-ink no-underline ${path === href ? 'border-accent font-semibold' : 'border-transparent'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
