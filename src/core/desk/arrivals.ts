/** A file of a folder as it is seen at some moment. */
export interface SeenFile {
  name: string;
  size: number;
  /** ms since 1970. */
  modifiedMs: number;
}

/** What was in a folder when it was looked at: those that were put away, and those that may still be written. */
export interface Watched {
  done: ReadonlySet<string>;
  growing: ReadonlyMap<string, number>;
}

/** Whether a file of a folder is a photograph, by its name: what else lies there is not meant. */
export const isPhotograph = (name: string): boolean => /\.(jpe?g|png|webp|heic|heif|avif|tiff?)$/i.test(name);
const identity = ({ name, modifiedMs }: SeenFile): string => `${name} ${String(modifiedMs)}`;

/** A folder as it is when one begins to watch it: what lies there already is not meant. */
export const watchFrom = (files: readonly SeenFile[]): Watched => ({
  done: new Set(files.map(identity)),
  growing: new Map(),
});

/**
 * What has arrived in a folder since it was looked at last: photographs whose size has not changed from one look to the next, so that
 * none is read while a scanner still writes it.
 */
export function arrivals(before: Watched, files: readonly SeenFile[]): { arrived: SeenFile[]; watched: Watched } {
  const fresh = files.filter((file) => isPhotograph(file.name) && file.size > 0 && !before.done.has(identity(file)));
  const arrived = fresh.filter((file) => before.growing.get(file.name) === file.size);
  const done = new Set(arrived.map(identity));
  return {
    arrived: [...arrived].sort((a, b) => a.modifiedMs - b.modifiedMs || a.name.localeCompare(b.name)),
    watched: {
      done: new Set([...before.done, ...done]),
      growing: new Map(fresh.filter((file) => !done.has(identity(file))).map(({ name, size }) => [name, size])),
    },
  };
}
