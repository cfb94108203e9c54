// Starts the built app on a free port and waits until it answers.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';

/** @returns {Promise<number>} */
export async function freePort() {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = /** @type {import('node:net').AddressInfo} */ (probe.address());
      probe.close(() => resolve(port));
    });
  });
}

/** @param fixed A port of one's own choice, so that what a browser keeps is found again. */
export async function serve(fixed) {
  const port = fixed ?? (await freePort());
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
      stdio: 'ignore',
    },
  );
  const base = `http://127.0.0.1:${port}`;
  for (let i = 0; ; i++) {
    try {
      await fetch(`${base}/icon.svg`);
      break;
    } catch {
      if (i > 300) throw new Error('the app did not start; was it built?');
      await new Promise((r) => setTimeout(r, 100));
    }
  }
  return { base, stop: () => server.kill('SIGTERM') };
}
