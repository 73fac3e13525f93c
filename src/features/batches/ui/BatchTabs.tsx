'use client';

import { Link } from '@/ui/link';
import { usePathname } from 'next/navigation';

const TABS = [
  ['', 'Now'],
  ['/stuffing', 'Stuffing'],
  ['/house', 'House and chill'],
  ['/ripening', 'Ferment and dry'],
  ['/verdict', 'Verdict'],
  ['/log', 'Log'],
  ['/after', 'After'],
] as const;

/** @param ripens the recipe ferments or dries: its batches have that tab too */
export function BatchTabs({ batchId, ripens }: { batchId: string; ripens: boolean }) {
  const path = usePathname();
  return (
    <nav
      aria-label="Batch"
      className="no-print mb-4 flex gap-1 overflow-x-auto border-b border-line"
    >
      {TABS.filter(([part]) => ripens || part !== '/ripening').map(([part, label]) => {
        const href = `/batches/${batchId}${part}`;
        const here = path === href;
        return (
          <Link
            key={part}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={`flex min-h-12 items-center border-b-3 px-2 whitespace-nowrap sm:px-3 text-ink no-underline ${here ? 'border-accent font-semibold' : 'border-transparent'}`}
          >
            {label}
          </Link>
        );
      })}
    </nav>
  );
}
