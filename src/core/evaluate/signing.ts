import type { Build, Production } from '../document/production';
import type { Finding } from '../findings/finding';
import { gateOf, LOOK_OVER } from '../power/wire';
import { findBuild } from './context';
import { Derivations } from './derive';
import { changedSince, signedPoints, signedState } from './signedState';

type SignOff = Build['signOffs'][number];

/**
 * Why a sign-off cannot be taken; null when it can. It is given for a light whose gate is open, with every
 * point looked at, and for what stands there now: nothing else is a sign-off, whoever sends it.
 */
export function refusedSignOff(
  document: Production,
  buildId: string,
  { checked, design, copy, seen }: Pick<SignOff, 'checked' | 'design' | 'copy' | 'seen'>,
  derive = new Derivations(),
): string | null {
  const build = findBuild(document, buildId);
  if (!build) return null;
  const { open, stops, missing } = gateOf(derive.findings(document, build));
  if (!open) {
    const [first] = [...stops, ...missing];
    return `“${build.name}” cannot be signed off while its gate is shut: ${first!.title}.`;
  }
  const left = LOOK_OVER.filter((point) => !checked.includes(point));
  if (left.length > 0)
    return `“${build.name}” cannot be signed off: ${left.length} of ${LOOK_OVER.length} points were not looked at.`;
  if (copy > build.copies)
    return `“${build.name}” has ${build.copies} ${build.copies === 1 ? 'copy' : 'copies'}: there is no copy ${copy} to sign off.`;
  const told = changedSince(seen, signedPoints(document, build, derive)).length === 0;
  return told && design === signedState(document, build, derive)
    ? null
    : `“${build.name}” has changed since it was looked over: look it over again.`;
}

/** Whether a sign-off still counts: every point looked at, of a copy there is, at what stands there now. */
export const holds = (
  { design, checked, copy }: SignOff,
  { copies }: Build,
  now: string,
): boolean =>
  design === now && copy <= copies && LOOK_OVER.every((point) => checked.includes(point));

/** The power-up gate of one build: shut by its checks, waiting to be looked over, or open copy for copy. */
export interface PowerUp {
  state: 'shut' | 'look over' | 'open';
  /** copies whose sign-off holds for what stands there now */
  signed: number[];
}

export function powerUpOf(
  document: Production,
  build: Build,
  findings: readonly Finding[],
  derive: Derivations,
): PowerUp {
  if (!gateOf(findings).open) return { state: 'shut', signed: [] };
  if (build.signOffs.length === 0) return { state: 'look over', signed: [] };
  const now = signedState(document, build, derive);
  const holding = build.signOffs.filter((signOff) => holds(signOff, build, now));
  const signed = [...new Set(holding.map(({ copy }) => copy))].sort((a, b) => a - b);
  return { state: signed.length === build.copies ? 'open' : 'look over', signed };
}
