import { printRequestSchema, printSheet } from '@/core/practice/paper/printSheet';
import { sessionSheetPdf } from './pdf';

export const runtime = 'nodejs';

const MAX_BYTES = 2_000_000;

/** A session sheet as PDF from the plan in the request; nothing of it is kept. */
export async function POST(request: Request): Promise<Response> {
  const text = await request.text();
  if (text.length > MAX_BYTES) return new Response('This plan is too large to print.', { status: 413 });
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return new Response('This is not a plan.', { status: 400 });
  }
  const parsed = printRequestSchema.safeParse(value);
  if (!parsed.success) return new Response('This plan is not as it should be.', { status: 400 });
  return new Response(await sessionSheetPdf(printSheet(parsed.data)), {
    headers: { 'content-type': 'application/pdf', 'cache-control': 'no-store' },
  });
}
