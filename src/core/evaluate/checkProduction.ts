import type { Build, Production } from '../document/production';
import type { Finding } from '../findings/finding';
import { Derivations } from './derive';

const CHECK_CELLS = 4;

/** Every build of a production with its findings, in the document's order, by the instant estimate of light. */
export const checkProduction = (
  document: Production,
  derivations = new Derivations(),
): { build: Build; findings: Finding[] }[] =>
  document.builds.map((build) => ({
    build,
    findings: derivations.findings(document, build, { gridCells: CHECK_CELLS }),
  }));
