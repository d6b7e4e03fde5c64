// Printed sheets as PDF (pdfkit): A4 upright, a typeface that has the letters of all European languages, text that can be searched.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const MARGIN = 48;
const BODY_PT = 10;
/** Most height of a photo. */
const PHOTO_PT = 240;
/** Most height of a logo. */
const LOGO_PT = 48;
const INK = '#1b2622';
const DIM = '#55605b';
const RUST = '#9a3b1c';

const face = (name: string) => readFileSync(createRequire(import.meta.url).resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`));
let faces: { readonly plain: Buffer; readonly bold: Buffer } | null = null;

/** One column of a table: its width as a share of the line, and where its text stands. */
export interface Column {
  readonly share: number;
  readonly align?: 'left' | 'right';
}

/** What can be put on a sheet, from above to below; a new page begins by itself. */
export interface Sheet {
  page(): void;
  title(text: string): void;
  heading(text: string, look?: 'plain' | 'caution'): void;
  text(text: string, look?: 'plain' | 'dim' | 'caution'): void;
  /** A row of a table; the cells of a row begin at one height. */
  row(columns: readonly Column[], cells: readonly string[]): void;
  list(items: readonly string[]): void;
  /** A line through values, drawn over the width, with a caption. */
  curve(values: readonly number[], caption: string): void;
  /** A JPEG within the width. */
  photo(jpeg: Uint8Array): void;
  /** A small JPEG above the title. */
  logo(jpeg: Uint8Array): void;
  /** A stripe of one colour over the width. @param colour - Such as #1f5f6b. */
  band(colour: string): void;
}

/** @param foot - Stands at the foot of every page. @param draw - Puts the sheets together. */
export function pdfOf({ title, foot }: { title: string; foot: string }, draw: (sheet: Sheet) => void): Promise<Buffer> {
  faces ??= { plain: face('DejaVuSansCondensed'), bold: face('DejaVuSansCondensed-Bold') };
  const doc = new PDFDocument({
    size: 'A4',
    margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + 14 },
    autoFirstPage: false,
    bufferPages: true,
    lang: 'en',
    info: { Title: title, Creator: 'Bluffwind', Producer: 'Bluffwind' },
  });
  doc.registerFont('plain', faces.plain);
  doc.registerFont('bold', faces.bold);
  const width = () => doc.page.width - 2 * MARGIN;
  const room = (height: number) => {
    if (doc.y + height > doc.page.height - doc.page.margins.bottom) doc.addPage();
  };
  const write = (text: string, font: 'plain' | 'bold', size: number, colour: string) =>
    doc.font(font).fontSize(size).fillColor(colour).text(text, MARGIN, doc.y, { width: width() });
  draw({
    page: () => void doc.addPage(),
    title: (text) => {
      write(text, 'bold', 16, INK);
      doc.moveDown(0.2);
    },
    heading: (text, look = 'plain') => {
      doc.moveDown(0.5);
      room(40);
      write(text, 'bold', 11, look === 'caution' ? RUST : INK);
    },
    text: (text, look = 'plain') => void write(text, 'plain', BODY_PT, look === 'plain' ? INK : look === 'dim' ? DIM : RUST),
    row: (columns, cells) => {
      doc.font('plain').fontSize(BODY_PT).fillColor(INK);
      const gap = 8;
      const widths = columns.map((c) => c.share * width() - gap);
      const heights = cells.map((c, i) => doc.heightOfString(c, { width: widths[i] ?? 0 }));
      room(Math.max(...heights) + 4);
      const top = doc.y + 2;
      let left = MARGIN;
      for (const [i, cell] of cells.entries()) {
        doc.text(cell, left, top, { width: widths[i] ?? 0, align: columns[i]?.align ?? 'left' });
        left += (widths[i] ?? 0) + gap;
      }
      doc.y = top + Math.max(...heights) + 2;
      doc
        .moveTo(MARGIN, doc.y)
        .lineTo(MARGIN + width(), doc.y)
        .lineWidth(0.3)
        .strokeColor(DIM)
        .stroke();
    },
    list: (items) => {
      for (const item of items) {
        doc.font('plain').fontSize(BODY_PT);
        room(doc.heightOfString(item, { width: width() - 12 }));
        const top = doc.y;
        doc.fillColor(INK).text('–', MARGIN, top, { width: 10 });
        doc.text(item, MARGIN + 12, top, { width: width() - 12 });
      }
    },
    curve: (values, caption) => {
      if (values.length < 2) return;
      const height = 60;
      room(height + 24);
      const [least, most] = [Math.min(...values), Math.max(...values)];
      const at = (v: number, k: number) => [
        MARGIN + (k / (values.length - 1)) * width(),
        doc.y + height - ((v - least) / Math.max(1e-9, most - least)) * height,
      ];
      values.forEach((v, k) => {
        const [x = 0, y = 0] = at(v, k);
        if (k === 0) doc.moveTo(x, y);
        else doc.lineTo(x, y);
      });
      doc.lineWidth(1.2).strokeColor(INK).stroke();
      doc.y += height + 6;
      write(caption, 'plain', 9, DIM);
    },
    logo: (jpeg) => {
      doc.image(Buffer.from(jpeg), MARGIN, doc.y, { fit: [140, LOGO_PT] });
      doc.y += 6;
    },
    band: (colour) => {
      doc.rect(MARGIN, doc.y, width(), 4).fill(colour);
      doc.y += 12;
    },
    photo: (jpeg) => {
      room(PHOTO_PT + 8);
      doc.y += 4;
      // The package moves on by the height that it took.
      doc.image(Buffer.from(jpeg), MARGIN, doc.y, { fit: [width(), PHOTO_PT] });
      doc.y += 4;
    },
  });
  const { count } = doc.bufferedPageRange();
  for (let k = 0; k < count; k++) {
    doc.switchToPage(k);
    // The foot stands below where text would begin a new page.
    doc.page.margins.bottom = 0;
    doc
      .font('plain')
      .fontSize(8)
      .fillColor(DIM)
      .text(`${foot}   ${k + 1} of ${count}`, MARGIN, doc.page.height - MARGIN, { width: width(), lineBreak: false });
  }
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    doc.on('data', (d: Buffer) => parts.push(d));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
    doc.end();
  });
}
