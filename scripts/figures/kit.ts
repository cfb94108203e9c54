import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { bodyKit } from '@/core/figure/mesh/kit';

/** The body that ships, read from the repository. */
export const KIT = bodyKit(gunzipSync(readFileSync('public/body.pack')));
