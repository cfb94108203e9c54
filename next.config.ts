import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import type { NextConfig } from 'next';
import { PERMISSIONS } from './src/security/permissions';

/** Changes whenever the built-in figures may look otherwise: with their body, their poses and what paints them. */
const figuresEdition = (): string => {
  const inRoot = (file: string): string => `${import.meta.dirname}/${file}`;
  const hash = createHash('sha256');
  const sources = readdirSync(inRoot('src/core/figure'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map(({ parentPath, name }) => `${parentPath}/${name}`);
  for (const file of [...sources.toSorted(), ...['src/workers/figureRenderer.ts', 'public/body.pack'].map(inRoot)])
    hash.update(readFileSync(file));
  return hash.digest('hex').slice(0, 16);
};

const config: NextConfig = {
  env: { FIGURES_EDITION: figuresEdition() },
  reactStrictMode: true,
  poweredByHeader: false,
  typedRoutes: true,
  images: { unoptimized: true },
  // The proxy sends addresses with a slash at the end on, with a policy of their own.
  skipTrailingSlashRedirect: true,
  agentRules: false,
  serverExternalPackages: ['pdfkit'],
  turbopack: { root: import.meta.dirname },
  // Types are checked by their own step of the test command; a demo need not wait for it.
  typescript: { ignoreBuildErrors: true },
  headers: () =>
    Promise.resolve([
      // What a page may use is named; everything else is shut.
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'Referrer-Policy', value: 'no-referrer' },
          { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
          { key: 'Permissions-Policy', value: PERMISSIONS },
        ],
      },
      // Dedicated workers take the policy of their own script response, not the page's.
      {
        source: '/_next/static/:path*',
        headers: [
          {
            key: 'Content-Security-Policy',
            value: "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'",
          },
        ],
      },
      {
        source: '/landmarks/:path*',
        headers: [
          {
            key: 'Content-Security-Policy',
            value: "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'",
          },
          { key: 'Cache-Control', value: 'public, max-age=86400' },
        ],
      },
      { source: '/figures/:path*', headers: [{ key: 'Cache-Control', value: 'public, max-age=86400' }] },
    ]),
  experimental: {
    agentUpgrade: false,
    // Each dynamically imported group lists every chunk it needs, instead of relying on other groups (decision 0029).
    turbopackClientSideNestedAsyncChunking: false,
  },
};
export default config;
