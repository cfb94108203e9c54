import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  typedRoutes: true,
  agentRules: false,
  serverExternalPackages: ['pdfkit'],
  turbopack: { root: import.meta.dirname },
  // Types are checked by their own step of the test command; a demo need not wait for it.
  typescript: { ignoreBuildErrors: true },
  headers: () =>
    Promise.resolve([
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
  experimental: { agentUpgrade: false },
};
export default config;
