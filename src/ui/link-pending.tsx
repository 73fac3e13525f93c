'use client';

import { useLinkStatus } from 'next/link';

/** Says that the page of a link is on its way, once that takes longer than a blink. */
export function LinkPending() {
  const { pending } = useLinkStatus();
  return pending ? (
    <span role="status" className="loading-note">
      Loading …
    </span>
  ) : null;
}
