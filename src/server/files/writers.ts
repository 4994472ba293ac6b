import type { Build, Production } from '@/core/document/production';
import { photometryOf } from '@/core/evaluate/glow/scene';
import type { SimulatedWorkedOut } from '@/core/evaluate/simulated';
import type { BuildFileName } from '@/core/formats/buildFiles';
import { writeEulumdat } from '@/core/formats/eulumdat';
import { writeIes } from '@/core/formats/ies';
import type { UnitSystem } from '@/core/quantity';
import type { Photometry } from '@/core/formats/photometric';
import { drawBuildPack } from './buildPack';
import { cutListCsv, shoppingCsv } from './csv';
import { piecesDxf } from './dxf';
import { drawLabels, labelsOf } from './labels';
import { finished, newPdf, numberPages, paperOf, type Paper, type Pdf } from './paper';
import { drawStorySticks } from './storyStick';
import { piecesSvg } from './svg';
import { drawTemplates } from './templates';
import { drawTrialCard } from './trialCard';

/** What a writer may read. */
interface Asked {
  document: Production;
  build: Build;
  /** what lengths are written in */
  units: UnitSystem;
  readouts: SimulatedWorkedOut;
  /** production and build */
  title: string;
}

interface Writer {
  type: string;
  /** it tells of light: worth a run of the transport engine */
  lit?: true;
  /** null for a build that has nothing to say here */
  write: (asked: Asked) => string | null | Buffer | Promise<Buffer>;
}

const pack = (paper: Paper): Writer => ({
  type: 'application/pdf',
  lit: true,
  write: ({ title, ...asked }) => {
    const pdf = newPdf(paper, `${title}, build pack`);
    drawBuildPack({ pdf, paper, contents: [], ...asked });
    numberPages(pdf);
    return finished(pdf);
  },
});
const templates = (paper: Paper): Writer => ({
  type: 'application/pdf',
  write: ({ title, readouts, units }) => {
    const pdf = newPdf(paper, `${title}, templates`);
    drawTemplates(pdf, readouts.pieces, paper, units);
    numberPages(pdf);
    return finished(pdf);
  },
});
const table = (write: Writer['write']): Writer => ({ type: 'text/csv; charset=utf-8', write });
const photometric = (charset: string, write: (light: Photometry) => string): Writer => ({
  type: `text/plain; charset=${charset}`,
  lit: true,
  write: ({ document, build, readouts }) => {
    const today = new Date().toISOString().slice(0, 10);
    const light = photometryOf(document, build.id, readouts.transported, today);
    return light && write(light);
  },
});

/** Pages of no set paper: who measures in inches prints on Letter. */
const pages = (name: string, draw: (pdf: Pdf, asked: Asked, paper: Paper) => void): Writer => ({
  type: 'application/pdf',
  write: (asked) => {
    const paper = paperOf(asked.units);
    const pdf = newPdf(paper, `${asked.title}, ${name}`);
    draw(pdf, asked, paper);
    return finished(pdf);
  },
});

/** How each file of a build is made. */
export const WRITERS: Record<BuildFileName, Writer> = {
  'build-pack.pdf': pack('a4'),
  'build-pack-letter.pdf': pack('letter'),
  'templates.pdf': templates('a4'),
  'templates-letter.pdf': templates('letter'),
  'labels.pdf': pages('labels', (pdf, { build, readouts, units }, paper) =>
    drawLabels(pdf, labelsOf(build, readouts, units), paper),
  ),
  'story-stick.pdf': pages('story sticks', (pdf, { readouts, units }, paper) =>
    drawStorySticks(pdf, readouts.pieces, paper, units),
  ),
  'trial-card.pdf': pages('trial in card', (pdf, { readouts }, paper) =>
    drawTrialCard(pdf, readouts.pieces, paper),
  ),
  'pieces.svg': {
    type: 'image/svg+xml',
    write: ({ readouts, title }) => piecesSvg(readouts.pieces, title),
  },
  'pieces.dxf': {
    type: 'image/vnd.dxf',
    write: ({ readouts }) => piecesDxf(readouts.pieces),
  },
  'cut-list.csv': table(({ readouts }) => cutListCsv(readouts.cuts)),
  'shopping.csv': table(({ readouts, document }) => shoppingCsv(readouts, document.currency)),
  'light.ies': photometric('us-ascii', writeIes),
  'light.ldt': photometric('utf-8', writeEulumdat),
};
