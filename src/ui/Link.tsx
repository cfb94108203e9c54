import NextLink, { type LinkProps } from 'next/link';

/**
 * A link that fetches its page when it is followed, not ahead. Pages share module loaders that name different files on each page: fetched
 * while this page is still loading, another page's loader could win and ask for modules that have not arrived (decision 0029). The service
 * worker has all pages anyway.
 */
export function Link<R>(props: LinkProps<R>) {
  return <NextLink {...props} prefetch={false} />;
}
