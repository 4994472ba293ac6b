import * as z from 'zod';
import type { Build, Production } from '@/core/document/production';
import { findBuild } from '@/core/evaluate/context';
import { evaluate } from '@/core/evaluate/evaluate';
import { photometryOf } from '@/core/evaluate/glow/scene';
import {
  evaluateSimulated,
  type SimulatedReadouts,
  type SimulatedWorkedOut,
} from '@/core/evaluate/simulated';
import { writeEulumdat } from '@/core/formats/eulumdat';
import { writeIes } from '@/core/formats/ies';
import { accept, type Result } from '@/core/result';
import { READOUT_RUN } from '@/core/light/transport/run';
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
  'light.ies',
  'light.ldt',
] as const;
export const fileNameSchema = z.enum(FILE_NAMES);
type FileName = z.infer<typeof fileNameSchema>;

const TYPES: Record<string, string> = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  csv: 'text/csv; charset=utf-8',
  ies: 'text/plain; charset=us-ascii',
  ldt: 'text/plain; charset=utf-8',
};

interface BuildFile {
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
  const found = build && readoutsFor(document, buildId, file);
  if (!build || !found?.ok || found.value.kind === 'unknown form') return null;
  const body = await bodyOf(document, build, found.value, file);
  if (body === null) return null;
  const [stem, ending] = file.split('.') as [string, string];
  return {
    name: `${slug(document.name)}_${slug(build.name)}_${stem}.${ending}`,
    type: TYPES[ending]!,
    body,
  };
}

async function bodyOf(
  document: Production,
  build: Build,
  readouts: SimulatedWorkedOut,
  file: FileName,
) {
  const title = `${document.name}: ${build.name}`;
  const paper: Paper = file.endsWith('-letter.pdf') ? 'letter' : 'a4';
  switch (file) {
    case 'cut-list.csv':
      return cutListCsv(readouts.cuts);
    case 'shopping.csv':
      return shoppingCsv(readouts, document.currency);
    case 'light.ies':
    case 'light.ldt':
      return photometricFile(document, build, readouts, file);
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

/** Only what tells of light is worth a run of the transport engine. */
function readoutsFor(
  document: Production,
  buildId: string,
  file: FileName,
): Result<SimulatedReadouts> {
  if (/^(build-pack|light)/.test(file)) return evaluateSimulated(document, buildId, READOUT_RUN);
  const found = evaluate(document, buildId);
  return found.ok ? accept({ ...found.value, transported: null }) : found;
}

/** The light as other programs read it; null for a build that gives none. */
function photometricFile(
  document: Production,
  build: Build,
  { transported }: SimulatedWorkedOut,
  file: 'light.ies' | 'light.ldt',
): string | null {
  const today = new Date().toISOString().slice(0, 10);
  const photometry = photometryOf(document, build.id, transported, today);
  if (!photometry) return null;
  return file === 'light.ies' ? writeIes(photometry) : writeEulumdat(photometry);
}
