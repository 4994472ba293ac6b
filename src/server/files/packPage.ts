import type { Build, Production } from '@/core/document/production';
import type { SimulatedWorkedOut as Readouts } from '@/core/evaluate/simulated';
import { editText } from '@/core/quantity';
import { PAPERS, plain, type Paper, type Pdf } from './paper';

/** What every page of a build pack is made from. */
export interface Pack {
  pdf: Pdf;
  document: Production;
  build: Build;
  readouts: Readouts;
  paper: Paper;
}

export const MARGIN = 40;
export const lengthText = (metres: number): string => editText(metres, 'length', 'metric');

/** Begins a page: the light's name, a title; returns what is left of it. */
export function page(
  { pdf, build, paper }: Pack,
  title: string,
): { top: number; width: number; height: number } {
  const [w, h] = PAPERS[paper];
  pdf.addPage({ margin: MARGIN, size: [w, h] });
  pdf
    .font('text')
    .fontSize(8)
    .fillColor('#6a5f50')
    .text(plain(build.name), MARGIN, 22, { lineBreak: false });
  pdf.font('bold').fontSize(17).fillColor('#1c160e').text(plain(title), MARGIN, MARGIN);
  return { top: MARGIN + 30, width: w - 2 * MARGIN, height: h - 2 * MARGIN - 30 };
}
