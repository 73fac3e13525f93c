import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link that is followed when somebody follows it. The framework would ask for every page in sight beforehand, and again
 * at each refresh of a live page: a dozen batches judged for nobody.
 */
export const Link = (props: ComponentProps<typeof NextLink>) => (
  <NextLink prefetch={false} {...props} />
);
