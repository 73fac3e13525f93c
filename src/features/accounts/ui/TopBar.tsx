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
      <div className="mx-auto flex max-w-6xl flex-wrap items-center gap-x-4 px-4 pt-1">
        <Link
          href="/"
          className="flex min-h-12 items-center gap-2 text-lg font-extrabold text-ink no-underline"
        >
          <Mark className="size-8 text-accent" />{' '}
          <span className="max-[26rem]:sr-only">Jolly Kettle</span>
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
