import NextLink, { type LinkProps } from 'next/link';

/**
 * A link without prefetching. Prefetched scripts of another page could register module loaders that rely on chunks this page hasn't loaded
 * yet (decision 0029). The service worker caches every page anyway.
 */
export function Link<R>(props: LinkProps<R>) {
  return <NextLink {...props} prefetch={false} />;
}
