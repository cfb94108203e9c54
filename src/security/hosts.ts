/** Names of this machine itself. Another name in a request means that some other site has had itself resolved to this machine. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Whether a request is meant for this server.
 * @param host Its Host header.
 * @param more Further host names it may be reached by, without ports.
 */
export function isOwnHost(host: string | null, more: readonly string[] = []): boolean {
  const name = host?.replace(/:\d+$/, '').toLowerCase();
  return name !== undefined && (LOOPBACK.includes(name) || more.includes(name));
}

/** Whether a request with a body comes from a page of this server: browsers say where every such request comes from. */
export function isFromOwnPage(headers: Headers): boolean {
  const origin = headers.get('origin');
  if (origin === null) return headers.get('sec-fetch-site') === 'same-origin';
  return URL.canParse(origin) && new URL(origin).host === headers.get('host');
}
