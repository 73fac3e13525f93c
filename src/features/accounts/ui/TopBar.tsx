import { Link } from '@/ui/link';
import { Mark } from '@/ui/mark';
import type { Show } from '@/words/show';
import { nowS } from '@/platform/clock';
import type { Person } from '../identify';
import { NavLinks } from './NavLinks';
import { Switches } from './Switches';

/** Places, the time, the unit and theme switches, and who is signed in. */
export function TopBar({ person, show }: { person: Person; show: Show }) {
  return (
    <header className="no-print border-b border-line bg-sheet">
      <div className="mx-auto flex max-w-6xl items-center gap-x-2 px-2 pt-1 sm:gap-x-4 sm:px-4">
        <Link
          href="/"
          className="flex min-h-12 items-center gap-2 text-lg font-extrabold whitespace-nowrap text-ink no-underline max-sm:hidden"
        >
          <Mark className="size-8 text-accent" />{' '}
          <span className="max-md:sr-only">Jolly Kettle</span>
        </Link>
        <NavLinks />
        <div className="ml-auto flex items-center gap-2 pb-1">
          <span className="hidden font-semibold lg:inline">{show.clock(nowS())}</span>
          <Switches system={show.settings.system} name={person.name} role={person.role} />
        </div>
      </div>
    </header>
  );
}
