import { describe, expect, it, vi } from 'vitest';
import { level, recipeWith } from './recipes';
import { planOf, poses } from './plans';
import { isFromOwnPage, isOwnHost } from '@/security/hosts';

vi.mock('@/app/print/plan/pdf', () => ({
  sessionSheetPdf: () => new Promise((done) => setTimeout(() => done(new Uint8Array([37, 80, 68, 70])), 20)),
}));
const { POST } = await import('@/app/print/plan/route');

describe('whose requests are answered', () => {
  it('answers this machine’s own names and those it was given, on any port', () => {
    for (const host of ['localhost:3100', '127.0.0.1:3100', '[::1]:3100', 'LOCALHOST'])
      expect(isOwnHost(host)).toBe(true);
    for (const host of ['evil.example', '127.0.0.1.evil.example', 'localhost.evil.example:3100', '', null])
      expect(isOwnHost(host)).toBe(false);
    expect(isOwnHost('studio.local:3100', ['studio.local'])).toBe(true);
  });
  it('takes bodies only from pages of the same address', () => {
    const from = (init: Record<string, string>): boolean => isFromOwnPage(new Headers(init));
    expect(from({ origin: 'http://127.0.0.1:3100', host: '127.0.0.1:3100' })).toBe(true);
    expect(from({ origin: 'http://127.0.0.1:9999', host: '127.0.0.1:3100' })).toBe(false);
    expect(from({ origin: 'null', host: '127.0.0.1:3100' })).toBe(false);
    expect([from({ 'sec-fetch-site': 'same-origin' }), from({})]).toEqual([true, false]);
  });
});

const post = (body: BodyInit | null, init: Record<string, string> = {}): Promise<Response> =>
  POST(
    new Request('http://127.0.0.1:3100/print/plan', {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin', ...init },
    }),
  );

describe('printing a plan', () => {
  const { sheet } = recipeWith([level('a', 2, 60_000)]);
  const request = JSON.stringify({ plan: planOf(poses(2)), startsAtMinute: null, sheet });
  it('refuses other pages, other types, bodies that are too large or no plan', async () => {
    const statuses = await Promise.all(
      [
        post(request, { 'sec-fetch-site': 'cross-site' }),
        post(request, { 'content-type': 'text/plain' }),
        post('x'.repeat(2_000_001)),
        post('{"plan":'),
        post('{}'),
      ].map(async (answer) => (await answer).status),
    );
    expect(statuses).toEqual([403, 415, 413, 400, 400]);
  });
  it('stops reading a body of unstated length once it is too large', async () => {
    let chunks = 0;
    const body = new ReadableStream<Uint8Array>({
      pull(controller) {
        chunks++;
        controller.enqueue(new Uint8Array(500_000));
      },
    });
    const answer = await POST(
      new Request('http://127.0.0.1:3100/print/plan', {
        method: 'POST',
        body,
        duplex: 'half',
        headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' },
      } as RequestInit),
    );
    expect(answer.status).toBe(413);
    expect(chunks).toBeLessThan(8);
  });
  it('makes a few sheets at a time and sends the others away for a moment', async () => {
    const answers = await Promise.all(Array.from({ length: 6 }, () => post(request)));
    const statuses = answers.map(({ status }) => status);
    expect(statuses.filter((s) => s === 503)).toHaveLength(3);
    expect(statuses.filter((s) => s === 200)).toHaveLength(3);
    expect((await post(request)).status).toBe(200);
  });
});
