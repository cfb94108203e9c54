import { bodyKit, type BodyKit } from '@/core/figure/mesh/kit';

/** Where the packed body is served, gzipped. */
const BODY_FILE = '/body.pack';

let loading: Promise<BodyKit> | undefined;

/**
 * The body that all figures are made of, fetched at the first asking and kept.
 * @throws when it is not to be had; asking again tries again.
 */
export function loadBody(): Promise<BodyKit> {
  loading ??= fetch(BODY_FILE)
    .then(async (response) => {
      if (!response.ok || !response.body) throw new Error(`the body did not come: ${String(response.status)}`);
      const unzipped = response.body.pipeThrough(new DecompressionStream('gzip'));
      return bodyKit(new Uint8Array(await new Response(unzipped).arrayBuffer()));
    })
    .catch((error: unknown) => {
      loading = undefined;
      throw error;
    });
  return loading;
}
