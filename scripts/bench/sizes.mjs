// Sizes of what ships: first scripts of the built app, pictures of figures.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { limited } from './row.mjs';

const MOST_KB = 200;

/** First script of each route, gzip. */
export function routeSizes() {
  const { routes } = JSON.parse(readFileSync('.next/prerender-manifest.json', 'utf8'));
  return Object.keys(routes)
    .filter((route) => !route.startsWith('/_') && !route.includes('.'))
    .map((route) => {
      const html = readFileSync(`.next/server/app${route === '/' ? '/index' : route}.html`, 'utf8');
      const scripts = [...html.matchAll(/<script([^>]*)src="([^"]+)"([^>]*)>/g)]
        .filter((m) => !/noModule/i.test(m[0]))
        .map((m) => m[2]);
      const bytes = [...new Set(scripts)].reduce(
        (sum, src) =>
          sum + gzipSync(readFileSync(`.next${src.replace('/_next', '').split('?')[0]}`), { level: 9 }).length,
        0,
      );
      return limited(route, `${(bytes / 1000).toFixed(0)} kB`, bytes / 1000, MOST_KB, 'kB');
    });
}

/** Mean size of the pictures that ship. */
export function pictureSizes() {
  const mean = (name, folder, mostKb) => {
    const sizes = readdirSync(folder, { withFileTypes: true })
      .filter((f) => f.isFile())
      .map((f) => statSync(`${folder}/${f.name}`).size);
    const kB = sizes.reduce((a, b) => a + b, 0) / sizes.length / 1000;
    return limited(name, `${kB.toFixed(1)} kB (${sizes.length})`, kB, mostKb, 'kB');
  };
  return [
    mean('a small picture', 'public/figures/small', 5),
    mean('a small covered picture', 'public/figures/covered', 5),
    mean('a full-size picture', 'public/figures', 80),
  ];
}
