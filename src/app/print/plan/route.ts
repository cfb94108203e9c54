import { printRequestSchema, printSheet } from '@/core/practice/paper/printSheet';
import { isFromOwnPage } from '@/security/hosts';
import { sessionSheetPdf } from './pdf';

export const runtime = 'nodejs';

const MAX_BYTES = 2_000_000;
/** A large plan takes the server most of a second: more than this many at a time would hold up every page. */
const MOST_AT_ONCE = 3;
const NOT_A_PLAN = 'This isn’t a plan that can be printed.';

let printing = 0;

/** Reads a body as text. @returns undefined once it is larger than `maxBytes`; the rest is not read. */
async function readText(request: Request, maxBytes: number): Promise<string | undefined> {
  if (Number(request.headers.get('content-length') ?? 0) > maxBytes) return undefined;
  const decoder = new TextDecoder();
  let text = '';
  let bytes = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length;
    if (bytes > maxBytes) return undefined;
    text += decoder.decode(chunk, { stream: true });
  }
  return text + decoder.decode();
}

function parsePlan(text: string): ReturnType<typeof printRequestSchema.safeParse> | undefined {
  try {
    return printRequestSchema.safeParse(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** A session sheet as PDF from the plan in the request; nothing of it is kept. */
export async function POST(request: Request): Promise<Response> {
  if (!isFromOwnPage(request.headers)) return new Response('Only pages of Fox Minute may print here.', { status: 403 });
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    return new Response(NOT_A_PLAN, { status: 415 });
  if (printing >= MOST_AT_ONCE)
    return new Response('Other sheets are being made. Try again in a few seconds.', {
      status: 503,
      headers: { 'retry-after': '5' },
    });
  printing++;
  try {
    const text = await readText(request, MAX_BYTES);
    if (text === undefined)
      return new Response('This plan is too large to print. Make it shorter, or print it in parts.', { status: 413 });
    const parsed = parsePlan(text);
    if (!parsed?.success) return new Response(NOT_A_PLAN, { status: 400 });
    return new Response(await sessionSheetPdf(printSheet(parsed.data)), {
      headers: { 'content-type': 'application/pdf', 'cache-control': 'no-store' },
    });
  } catch (error) {
    console.error('Printing a plan failed', error);
    return new Response('The sheet could not be made because of a fault in Fox Minute.', {
      status: 500,
    });
  } finally {
    printing--;
  }
}
