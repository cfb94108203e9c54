import type { Picture } from '@/core/references/picture';

/** A picture's record, filled in. */
export const pictureOf = (id: string, more: Partial<Picture> = {}): Picture => ({
  id,
  setIds: [],
  name: `${id}.jpg`,
  type: 'image/jpeg',
  widthPx: 300,
  heightPx: 400,
  hash: id
    .replace(/[^0-9a-f]/g, 'a')
    .padEnd(64, '0')
    .slice(0, 64),
  likeness: null,
  bytes: 1000,
  addedAtMs: 1,
  takenAtMs: null,
  binnedAtMs: null,
  rights: { license: null, credit: '', permission: '', source: '' },
  found: {},
  sure: {},
  readBy: 0,
  corrected: {},
  measures: null,
  felt: 0,
  tags: [],
  laterAtMs: null,
  keptBeside: [],
  ...more,
});
