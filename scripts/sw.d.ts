/** Every file of this version by its path, with a hash of its content, written in by build-sw.mjs. */
declare const __FILES__: Record<string, string>;
