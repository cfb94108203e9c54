import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { contentPolicy, SONNER_STYLE } from '@/security/policy';

const directives = (policy: string): Map<string, string> =>
  new Map(policy.split('; ').map((d) => [d.slice(0, d.indexOf(' ')), d.slice(d.indexOf(' ') + 1)]));

describe('the content policy', () => {
  it('lets nothing come from or go to another origin', () => {
    const policy = contentPolicy({ isDev: false });
    expect(policy).not.toMatch(/https?:|\*/);
    const d = directives(policy);
    for (const name of ['default-src', 'connect-src', 'font-src', 'form-action', 'base-uri'])
      expect(d.get(name)).toBe("'self'");
    expect(d.get('object-src')).toBe("'none'");
    expect(d.get('frame-ancestors')).toBe("'none'");
  });
  it('runs no inline script but those it knows', () => {
    const script = directives(contentPolicy({ isDev: false, scriptHashes: ['sha256-abc'] })).get('script-src') ?? '';
    expect(script).toContain("'sha256-abc'");
    expect(script).not.toContain('unsafe-inline');
    expect(script).not.toContain("'unsafe-eval'");
    expect(directives(contentPolicy({ isDev: false, nonce: 'n1' })).get('script-src')).toContain("'nonce-n1'");
    expect(directives(contentPolicy({ isDev: true })).get('script-src')).toContain("'unsafe-eval'");
  });
  it('knows the stylesheet that the toasts bring', () => {
    const source = readFileSync('node_modules/sonner/dist/index.mjs', 'utf8');
    const css = /__insertCSS\("((?:[^"\\]|\\.)*)"\)/.exec(source)?.[1];
    const text = JSON.parse(`"${css ?? ''}"`) as string;
    expect(SONNER_STYLE).toBe(`'sha256-${createHash('sha256').update(text).digest('base64')}'`);
  });
});
