'use client';

import { usePathname } from 'next/navigation';
import { Link } from '@/ui/link';

const TABS = [
  ['/plan', 'Board'],
  ['/plan/wishes', 'Wished'],
  ['/plan/lists', 'Lists'],
] as const;

/** The sections of the plan, each with an address of its own. */
export function PlanTabs() {
  const path = usePathname();
  return (
    <nav aria-label="Plan" className="no-print flex gap-1 overflow-x-auto">
      {TABS.map(([href, label]) => (
        <Link
          key={href}
          href={href}
          aria-current={path === href ? 'page' : undefined}
          className={`flex min-h-12 items-center border-b-3 px-3 whitespace-nowrap text-ink no-underline ${path === href ? 'border-accent font-semibold' : 'border-transparent'}`}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
