import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { bodyKit } from '@/core/figure/mesh/kit';

/** The packed body that ships, unzipped. */
export const bodyBytes = (): Uint8Array => new Uint8Array(gunzipSync(readFileSync('public/body.pack')));

/** The body of all figures, as it ships. */
export const KIT = bodyKit(bodyBytes());
