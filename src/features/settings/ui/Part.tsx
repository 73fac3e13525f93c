import type { ReactNode } from 'react';

/** A section of the settings with its heading. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="sheet space-y-3" aria-label={title}>
      <h2 className="text-lg font-semibold">{title}</h2>
      {children}
    </section>
  );
}
