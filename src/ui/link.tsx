import NextLink from 'next/link';
import type { ComponentProps } from 'react';
import { LinkPending } from './link-pending';

/**
 * A link that is followed when somebody follows it. The framework would ask for every page in sight beforehand, and again
 * at each refresh of a live page: a dozen batches judged for nobody. While its page is on the way it says so.
 */
export const Link = ({ children, ...props }: ComponentProps<typeof NextLink>) => (
  <NextLink prefetch={false} {...props}>
    {children}
    <LinkPending />
  </NextLink>
);
