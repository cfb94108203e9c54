import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { FrameSheet } from '@/core/practice/paper/frameSheet';
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

/** Columns of boxes and the height of a row of them, so that all rows fit on one page. */
function layOutBoxes(
  sheet: PrintSheet,
  room: { width: number; height: number },
): { columns: number; boxHeight: number } {
  for (let columns = 6; columns <= 30; columns++) {
    const lines = sheet.rows.reduce((sum, r) => sum + Math.max(1, Math.ceil(r.boxes.length / columns)), 0);
    const boxHeight = Math.min(30, room.height / (lines + sheet.rows.length * 0.28));
    if (boxHeight >= 17 || columns === 30) return { columns, boxHeight: Math.min(boxHeight, 30) };
  }
  return { columns: 30, boxHeight: 8 };
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

/** One page with a row for each block and a box for each drawing, and a page for each sheet of small plans. */
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
  line(sheet.summary, MARGIN, MARGIN + 27, 10.5, QUIET, width);
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
  const room = { width: width - TIME_WIDTH - NAME_WIDTH, height: A4.height - MARGIN - 76 - top };
  const { columns, boxHeight } = layOutBoxes(sheet, room);
  const boxWidth = room.width / columns;
  let y = top;
  for (const row of sheet.rows) {
    doc
      .lineWidth(0.4)
      .strokeColor(QUIET)
      .moveTo(MARGIN, y - 2)
      .lineTo(MARGIN + width, y - 2)
      .stroke();
    const size = Math.min(10.5, boxHeight * 0.62);
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
    y += Math.max(1, Math.ceil(row.boxes.length / columns)) * boxHeight + boxHeight * 0.28;
  }
  const foot = A4.height - MARGIN - 52;
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
