'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { PLACES } from './NavLinks';

const WAIT_MS = 1500;
/** Second key after "g", in the order of the bar. */
const LETTERS = ['f', 'p', 'r', 'h', 'b', 's', 'e', ','] as const;

const typing = (at: EventTarget | null) =>
  at instanceof HTMLElement &&
  (at.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(at.tagName));

/** Closes the innermost part that was opened around the focus, and puts the focus back on what opened it. */
function closeOpened(): void {
  const open = document.activeElement?.closest('details[open]');
  if (!(open instanceof HTMLDetailsElement)) return;
  open.open = false;
  open.querySelector('summary')?.focus();
}

const findSearch = () => document.querySelector<HTMLInputElement>('[role="search"] input');

/** The keys of the application, and their list under "?". */
export function Shortcuts() {
  const router = useRouter();
  const list = useRef<HTMLDialogElement>(null);
  const goingMs = useRef(0);
  useEffect(() => {
    const pressed = (e: KeyboardEvent) => {
      if (e.key === 'Escape') return closeOpened();
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === '?')
        return list.current?.open ? list.current.close() : list.current?.showModal();
      if (e.key === '/' && findSearch()) {
        e.preventDefault();
        return findSearch()!.focus();
      }
      const place = PLACES[LETTERS.indexOf(e.key as 'f')];
      const going = performance.now() - goingMs.current < WAIT_MS;
      goingMs.current = e.key === 'g' ? performance.now() : 0;
      if (going && place) router.push(place.href);
    };
    document.addEventListener('keydown', pressed);
    return () => document.removeEventListener('keydown', pressed);
  }, [router]);
  return (
    <dialog
      ref={list}
      aria-labelledby="keys"
      className="m-auto rounded-lg border border-line bg-sheet p-5 text-ink backdrop:bg-ink/40"
    >
      <h2 id="keys" className="mb-2 text-lg font-semibold">
        Keys
      </h2>
      <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-1">
        {PLACES.map((p, i) => (
          <Key key={p.href} keys={['g', LETTERS[i]!]} does={p.label} />
        ))}
        <Key keys={['/']} does="Find, where there is a search" />
        <Key keys={['Esc']} does="Close what was opened" />
        <Key keys={['?']} does="This list" />
      </dl>
      <form method="dialog" className="mt-4">
        <button className="button">Close</button>
      </form>
    </dialog>
  );
}

const Key = ({ keys, does }: { keys: string[]; does: string }) => (
  <>
    <dt className="text-right">
      {keys.map((k, i) => (
        <span key={k}>
          {i > 0 ? ' then ' : ''}
          <kbd className="rounded border border-line px-1.5 font-semibold">{k}</kbd>
        </span>
      ))}
    </dt>
    <dd>{does}</dd>
  </>
);
