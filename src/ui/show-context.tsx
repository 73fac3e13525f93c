'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { Show, type ShowSettings } from '@/words/show';

const Context = createContext<Show | null>(null);

export function ShowProvider({
  settings,
  children,
}: {
  settings: ShowSettings;
  children: ReactNode;
}) {
  const { system, locale, timeZone } = settings;
  const show = useMemo(() => new Show({ system, locale, timeZone }), [system, locale, timeZone]);
  return <Context value={show}>{children}</Context>;
}

/** How figures are said on this page. */
export function useShow(): Show {
  const show = useContext(Context);
  if (!show) throw new Error('useShow needs a ShowProvider above it');
  return show;
}
