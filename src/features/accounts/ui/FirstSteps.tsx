'use client';

import { useRouter } from 'next/navigation';
import type { Role } from '@/platform/roles';
import { keepCookie } from '@/ui/cookie';
import { Link } from '@/ui/link';
import { FIRST_STEPS_COOKIE } from '../first-steps';
import { FIRST_STEPS } from '@/words/first-steps';

/** What somebody new does first, by role; it is gone once they say so. */
export function FirstSteps({ name, role }: { name: string; role: Role }) {
  const router = useRouter();
  const seen = () => {
    keepCookie(FIRST_STEPS_COOKIE, 'seen');
    router.refresh();
  };
  return (
    <section className="sheet mb-3 border-l-8 border-l-accent" aria-label="First steps">
      <h2 className="text-lg font-semibold">Welcome, {name.split(' ')[0]}. First steps</h2>
      <ol className="list-decimal pl-6">
        {FIRST_STEPS[role].map((s) => (
          <li key={s.href} className="py-1">
            <Link href={s.href} className="font-semibold text-accent underline">
              {s.what}
            </Link>
            : {s.why}
          </li>
        ))}
      </ol>
      <button type="button" className="button mt-2" onClick={seen}>
        I know my way
      </button>
    </section>
  );
}
