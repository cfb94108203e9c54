// How often the facts read from pictures are right: npm run facts. Renders figures whose truth is known, lets the shipped model find them in
// Chromium, and prints the table of docs/picture-facts.md. Needs the files of `npm run build`; takes some minutes.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { findBodies } from './facts/bodies.mjs';

const folder = mkdtempSync(`${tmpdir()}/facts-`);
const tsx = (...args) => {
  if (spawnSync('npx', ['tsx', ...args], { stdio: 'inherit' }).status !== 0) throw new Error(`${args[0]} failed`);
};
// `npm run facts -- --unseen`: hard scenes and heads that nobody looked at while the rules were made. `npm run facts -- shipped`: the figures as they ship, rather than in made-up rooms and lights.
const asked = process.argv.slice(2);
const how = asked.includes('shipped') ? ['shipped'] : [];
for (const share of ['0', '1']) {
  tsx('scripts/facts/pictures.ts', share, '2', folder, ...how);
  if (how.length === 0) tsx('scripts/facts/heads.ts', share, '2', folder);
}
await findBodies(folder);
tsx('scripts/facts/rates.ts', folder, ...asked);
rmSync(folder, { recursive: true });
