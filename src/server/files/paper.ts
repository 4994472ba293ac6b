import PDFDocument from 'pdfkit';
import type { UnitSystem } from '@/core/quantity';
import { typeface, TYPEFACES } from './typefaces';

/** Paper in points; 72 points are an inch, 25.4 mm. */
export const PAPERS = { a4: [595.276, 841.89], letter: [612, 792] } as const;
export type Paper = keyof typeof PAPERS;
/** What is in the printer where lengths are measured so. */
export const paperOf = (units: UnitSystem): Paper => (units === 'imperial' ? 'letter' : 'a4');
export const POINTS_PER_MM = 72 / 25.4;
export const POINTS_PER_M = 1000 * POINTS_PER_MM;

export type Pdf = InstanceType<typeof PDFDocument>;

/** Signs the shipped Latin fonts have no glyph for, said otherwise. */
const SAID: Record<string, string> = {
  Ω: 'ohm',
  '√': 'root ',
  '≤': 'at most ',
  '≥': 'at least ',
  π: 'pi',
  '→': '->',
  '−': '-',
  Δ: 'delta ',
  '≈': 'about ',
  τ: 'tau',
  ρ: 'rho',
  η: 'eta',
  '⁴': '^4',
  '₂': '2',
  '₁': '1',
};
export const plain = (text: string): string =>
  text.replace(/[√≤≥π→−Δ≈τρηΩ⁴₁₂]/g, (sign) => SAID[sign] ?? sign);

/** A new document on one paper with the application's own type in it. */
export function newPdf(paper: Paper, title: string): Pdf {
  const [width, height] = PAPERS[paper];
  const pdf = new PDFDocument({
    size: [width, height],
    margin: 40,
    autoFirstPage: false,
    // Kept until the end: a page says of how many it is one.
    bufferPages: true,
    // The same design gives the same file.
    info: {
      Title: title,
      Producer: 'Lantern Jar',
      Creator: 'Lantern Jar',
      CreationDate: new Date(0),
    },
  });
  for (const id of TYPEFACES) pdf.registerFont(id, typeface(id));
  return pdf;
}

/** “3 of 12” at the foot of every page. */
export function numberPages(pdf: Pdf): void {
  const { start, count } = pdf.bufferedPageRange();
  for (let at = start; at < start + count; at++) {
    pdf.switchToPage(at);
    const text = `${at - start + 1} of ${count}`;
    const { width, height, margins } = pdf.page;
    // Below the margin pdfkit would begin a new page.
    const { bottom } = margins;
    margins.bottom = 0;
    pdf.font('text').fontSize(8).fillColor('#6a5f50');
    pdf.text(text, width - 40 - pdf.widthOfString(text), height - 24, { lineBreak: false });
    margins.bottom = bottom;
  }
}

/** Everything written so far as one buffer. */
export function finished(pdf: Pdf): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
    pdf.end();
  });
}
