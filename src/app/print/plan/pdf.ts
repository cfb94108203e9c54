import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { FrameSheet } from '@/core/practice/paper/frameSheet';
import { printPages, rowHeight } from '@/core/practice/paper/printPages';
import type { PrintSheet } from '@/core/practice/paper/printSheet';

const A4 = { width: 595.28, height: 841.89 };
const MARGIN = 42;
const INK = '#2a2521';
const QUIET = '#655b50';
const NAME_WIDTH = 170;
const TIME_WIDTH = 48;

const FILES = 'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-';
/** The letters of one shipped font file; what neither holds prints as an empty box. */
const SCRIPTS = [
  { name: 'latin', holds: /[\u0020-\u00ff\u2010-\u2026\u2212]/ },
  { name: 'latin-ext', holds: /[\u0100-\u024f\u1e00-\u1eff]/ },
] as const;

let fonts: Record<string, Buffer> | undefined;

/** Stretches of text that one font can write. */
function runsOf(text: string): { font: string; text: string }[] {
  const runs: { font: string; text: string }[] = [];
  for (const letter of text) {
    const font = SCRIPTS.find((s) => s.holds.test(letter))?.name ?? 'latin';
    const last = runs.at(-1);
    if (last?.font === font) last.text += letter;
    else runs.push({ font, text: letter });
  }
  return runs;
}

const POINTS_PER_MM = 72 / 25.4;

/** A sheet of numbered frames in its true size. */
function drawFrames(
  doc: InstanceType<typeof PDFDocument>,
  { widthMm, heightMm, frames }: FrameSheet,
  line: (text: string, x: number, y: number, size: number, color: string) => void,
): void {
  doc.addPage({ size: [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM], margin: 0 });
  frames.forEach((frame, i) => {
    const [x, y, width, height] = [frame.xMm, frame.yMm, frame.widthMm, frame.heightMm].map((mm) => mm * POINTS_PER_MM);
    doc.lineWidth(0.6).strokeColor(QUIET).rect(x, y, width, height).stroke();
    line(String(i + 1), x, y + height + 3, 9, QUIET);
  });
}

/**
 * A row for each block and a box for each drawing, on one page as long as it can be read, and a page for each sheet of small plans.
 * Its last lines are for next time.
 */
export function sessionSheetPdf(sheet: PrintSheet): Promise<Uint8Array<ArrayBuffer>> {
  fonts ??= Object.fromEntries(
    SCRIPTS.map(({ name }) => [name, readFileSync(join(process.cwd(), `${FILES}${name}-400-normal.woff`))]),
  );
  const doc = new PDFDocument({
    size: 'A4',
    margin: MARGIN,
    autoFirstPage: true,
    info: { Title: sheet.title, Creator: 'Fox Minute' },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))));
    doc.on('error', reject);
  });
  for (const [name, file] of Object.entries(fonts)) doc.registerFont(name, file);
  const width = A4.width - 2 * MARGIN;
  const line = (text: string, x: number, y: number, size: number, color: string, width = Infinity): void => {
    doc.fontSize(size).fillColor(color);
    let at = x;
    for (const run of runsOf(text)) {
      doc.font(run.font);
      let some = run.text;
      while (some !== '' && at + doc.widthOfString(some) > x + width) some = some.slice(0, -1);
      doc.text(some, at, y, { lineBreak: false });
      at += doc.widthOfString(some);
      if (some !== run.text) return;
    }
  };
  line(sheet.title, MARGIN, MARGIN, 20, INK, width);
  line(sheet.summary, MARGIN, MARGIN + 27, 10.5, QUIET, width - 60);
  line('Date', MARGIN, MARGIN + 50, 10.5, QUIET);
  line('Began at', MARGIN + 190, MARGIN + 50, 10.5, QUIET);
  line('Ended at', MARGIN + 360, MARGIN + 50, 10.5, QUIET);
  if (sheet.code) line(sheet.code, MARGIN, MARGIN + 66, 9.5, QUIET, width);
  doc.lineWidth(0.6).strokeColor(INK);
  for (const [x, w] of [
    [MARGIN + 28, 140],
    [MARGIN + 238, 96],
    [MARGIN + 406, 96],
  ])
    doc
      .moveTo(x, MARGIN + 62)
      .lineTo(x + w, MARGIN + 62)
      .stroke();

  const top = MARGIN + 84;
  const foot = A4.height - MARGIN - 52;
  const laid = printPages(sheet.rows, foot - 24 - top);
  const { columns, boxHeight, pages } = laid;
  const size = Math.min(10.5, boxHeight * 0.62);
  const boxWidth = (width - TIME_WIDTH - NAME_WIDTH) / columns;
  pages.forEach((rows, page) => {
    if (page > 0) {
      doc.addPage({ size: 'A4', margin: MARGIN });
      line(sheet.title, MARGIN, MARGIN + 27, 10.5, QUIET, width - 60);
    }
    if (pages.length > 1)
      line(`page ${String(page + 1)} of ${String(pages.length)}`, MARGIN + width - 56, MARGIN + 27, 10.5, QUIET);
    let y = top;
    for (const row of rows) {
      doc
        .lineWidth(0.4)
        .strokeColor(QUIET)
        .moveTo(MARGIN, y - 2)
        .lineTo(MARGIN + width, y - 2)
        .stroke();
      line(row.time, MARGIN, y + 2, size, QUIET, TIME_WIDTH - 4);
      line(row.name, MARGIN + TIME_WIDTH, y + 2, size, INK, NAME_WIDTH - 8);
      if (boxHeight >= 20)
        line(row.measure, MARGIN + TIME_WIDTH, y + 2 + size * 1.15, size * 0.86, QUIET, NAME_WIDTH - 8);
      row.boxes.forEach((planned, i) => {
        const x = MARGIN + TIME_WIDTH + NAME_WIDTH + (i % columns) * boxWidth;
        const boxTop = y + Math.floor(i / columns) * boxHeight;
        doc
          .lineWidth(0.6)
          .strokeColor(INK)
          .rect(x + 1, boxTop + 1, boxWidth - 3, boxHeight - 4)
          .stroke();
        if (boxWidth > 26) line(planned, x + 3, boxTop + 2, Math.min(6.5, boxHeight * 0.34), QUIET, boxWidth - 6);
      });
      y += rowHeight(row, laid);
    }
  });
  line('Next time', MARGIN, foot, 10.5, QUIET);
  doc.lineWidth(0.6).strokeColor(INK);
  for (const at of [foot + 14, foot + 34])
    doc
      .moveTo(MARGIN + 56, at)
      .lineTo(MARGIN + width, at)
      .stroke();
  for (const frames of sheet.frameSheets) drawFrames(doc, frames, line);
  doc.end();
  return done;
}
