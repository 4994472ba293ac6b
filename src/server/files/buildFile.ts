import * as z from 'zod';
import type { Build, Production } from '@/core/document/production';
import { findBuild } from '@/core/evaluate/context';
import { evaluate, type Readouts } from '@/core/evaluate/evaluate';
import { drawBuildPack } from './buildPack';
import { cutListCsv, shoppingCsv } from './csv';
import { piecesDxf } from './dxf';
import { finished, newPdf, type Paper } from './paper';
import { piecesSvg } from './svg';
import { drawTemplates } from './templates';

export const FILE_NAMES = [
  'build-pack.pdf',
  'build-pack-letter.pdf',
  'templates.pdf',
  'templates-letter.pdf',
  'pieces.svg',
  'pieces.dxf',
  'cut-list.csv',
  'shopping.csv',
] as const;
export const fileNameSchema = z.enum(FILE_NAMES);
export type FileName = z.infer<typeof fileNameSchema>;

const TYPES: Record<string, string> = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  csv: 'text/csv; charset=utf-8',
};

export interface BuildFile {
  /** night-ferry_clerk-ring_cut-list.csv */
  name: string;
  type: string;
  body: string | Buffer;
}

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'light';

/** One file of a build; null when there is no such build or its form is not known here. */
export async function buildFile(
  document: Production,
  buildId: string,
  file: FileName,
): Promise<BuildFile | null> {
  const build = findBuild(document, buildId);
  const found = build && evaluate(document, buildId);
  if (!build || !found?.ok || !found.value.drawing) return null;
  const [stem, ending] = file.split('.') as [string, string];
  return {
    name: `${slug(document.name)}_${slug(build.name)}_${stem}.${ending}`,
    type: TYPES[ending]!,
    body: await bodyOf(document, build, found.value, file),
  };
}

async function bodyOf(document: Production, build: Build, readouts: Readouts, file: FileName) {
  const title = `${document.name}: ${build.name}`;
  const paper: Paper = file.endsWith('-letter.pdf') ? 'letter' : 'a4';
  switch (file) {
    case 'cut-list.csv':
      return cutListCsv(readouts.cuts);
    case 'shopping.csv':
      return shoppingCsv(readouts, document.currency);
    case 'pieces.svg':
      return piecesSvg(readouts.pieces, title);
    case 'pieces.dxf':
      return piecesDxf(readouts.pieces);
    case 'templates.pdf':
    case 'templates-letter.pdf': {
      const pdf = newPdf(paper, `${title}, templates`);
      drawTemplates(pdf, readouts.pieces, paper);
      return finished(pdf);
    }
    case 'build-pack.pdf':
    case 'build-pack-letter.pdf': {
      const pdf = newPdf(paper, `${title}, build pack`);
      drawBuildPack({ pdf, document, build, readouts, paper });
      return finished(pdf);
    }
  }
}
