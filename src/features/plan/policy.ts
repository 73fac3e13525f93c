import type { Lever } from '@/core';

/** Does taking it change the site's hours, or shut a place? Only who runs the site may. */
export const changesSite = (lever: Lever): boolean =>
  lever.kind === 'overtime' || lever.kind === 'closed';
