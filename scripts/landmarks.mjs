// Before `next build`: puts the body-landmark worker, its runtime and its networks into public/landmarks. None of it is committed.
import { copyFileSync, existsSync, mkdirSync, statSync } from 'node:fs';
import { build } from 'esbuild';

const out = 'public/landmarks';
const runtime = 'node_modules/@litertjs/core/wasm';
const networks = 'node_modules/@mediapipe/pose';
mkdirSync(out, { recursive: true });
const copies = [
  // The packed assets hold exactly one file: the detection network.
  [`${networks}/pose_solution_packed_assets.data`, 'detection.tflite'],
  [`${networks}/pose_landmark_full.tflite`, 'full.tflite'],
  [`${networks}/pose_landmark_heavy.tflite`, 'heavy.tflite'],
  // With and without relaxed SIMD; the runtime takes what the browser can do.
  ...['litert_wasm_internal', 'litert_wasm_compat_internal'].flatMap((name) =>
    ['js', 'wasm'].map((ending) => [`${runtime}/${name}.${ending}`, `${name}.${ending}`]),
  ),
];
for (const [from, name] of copies)
  if (!existsSync(`${out}/${name}`) || statSync(`${out}/${name}`).size !== statSync(from).size)
    copyFileSync(from, `${out}/${name}`);
await build({
  entryPoints: ['src/workers/landmarks.worker.ts'],
  bundle: true,
  format: 'iife',
  minify: true,
  outfile: `${out}/worker.js`,
  logLevel: 'error',
});
