import type { Production } from '../document/production';
import { accept, refuse, type Result } from '../result';
import { mouthOf } from '../light/field/mouthMap';
import type { Transported } from '../light/transport/result';
import { cannotRun, simulate, type Run } from '../light/transport/run';
import { evaluate, type EvaluateOptions, type Readouts } from './evaluate';

/** Readouts with the light simulated first, and what the run found; null for a build without a room. */
export type SimulatedReadouts = Readouts & { transported: Transported | null };

/** The same of a build whose form is known. */
export type SimulatedWorkedOut = Extract<SimulatedReadouts, { kind: 'worked out' }>;

/** What is printed of them: the room and the survey are thousands of numbers that nobody reads. */
export const printable = (readouts: Readouts | SimulatedReadouts) => ({
  ...readouts,
  room: null,
  ...('transported' in readouts &&
    readouts.transported && {
      transported: {
        ...readouts.transported,
        survey: undefined,
        prepared: undefined,
        turnedCounts: undefined,
      },
    }),
});

interface SimulatedOptions extends Pick<EvaluateOptions, 'gridCells' | 'glow'> {
  /** a room that cannot be followed keeps its estimate instead of being a problem */
  orEstimate?: boolean;
}

/**
 * `evaluate` with the transport engine run on this thread, for scripts, files and the HTTP route: the same
 * seed and photon count give the same figures as the screen.
 * @returns problems when there is no such build, or its room cannot be followed with such a run
 */
export function evaluateSimulated(
  document: Production,
  buildId: string,
  run: Run,
  { orEstimate = false, ...options }: SimulatedOptions = {},
): Result<SimulatedReadouts> {
  const first = evaluate(document, buildId, { gridCells: 2 });
  if (!first.ok) return first;
  const room = first.value.kind === 'worked out' ? first.value.room : null;
  const problem = room && cannotRun(room.arrangement, run);
  if (problem && !orEstimate) return refuse('transport', problem, 'photons');
  const found = room && !problem ? simulate(room.arrangement, run) : null;
  const transported = found && { ...found, mouth: mouthOf(room!.arrangement, found) };
  const whole = evaluate(document, buildId, { ...options, transported: () => transported });
  if (!whole.ok) return whole;
  return accept({ ...whole.value, transported });
}
