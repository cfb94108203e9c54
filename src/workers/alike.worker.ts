import * as Comlink from 'comlink';
import { alikeGroups } from '@/core/references/likeness';

interface Hashed {
  id: string;
  likeness: string | null;
  keptBeside: readonly string[];
}
const api = {
  /** Ids of pictures that look alike, in groups, without those kept beside each other on purpose. */
  groups(pictures: readonly Hashed[]): string[][] {
    return alikeGroups(pictures, (a, b) => a.keptBeside.includes(b.id) || b.keptBeside.includes(a.id)).map((group) =>
      group.map((p) => p.id),
    );
  },
};
export type AlikeApi = typeof api;
Comlink.expose(api);
