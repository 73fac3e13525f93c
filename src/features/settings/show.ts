import 'server-only';
import { cookies } from 'next/headers';
import { cache } from 'react';
import { db } from '@/platform/db/client';
import { Show } from '@/words/show';
import { findSite } from './repository';

export const UNITS_COOKIE = 'jk-units';
export const THEME_COOKIE = 'jk-theme';

/** The site, once per request. */
export const siteOfRequest = cache(() => findSite(db()));

/** How this page says its figures: the site's settings, with the reader's own unit switch. */
export const showOfRequest = cache(async () => {
  const site = await siteOfRequest();
  const chosen = (await cookies()).get(UNITS_COOKIE)?.value;
  const system = chosen === 'us' || chosen === 'metric' ? chosen : (site?.unitSystem ?? 'metric');
  return new Show({ system, locale: site?.locale ?? 'en-US', timeZone: site?.timeZone ?? 'UTC' });
});
