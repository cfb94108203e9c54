/** Addresses of everything the app ships, written in by build-sw.mjs. */
declare const __SHELL__: string[];
