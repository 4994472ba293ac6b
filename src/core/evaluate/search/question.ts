import type { Production } from '../../document/production';
import { isCleanExposure, mainsFlickerHz } from '../../flicker/shutter';
import type { FormContext } from '../../forms/form';
import { exposureTimeS } from '../../light/exposure';
import type { Circuit } from '../../location/circuit';
import type { Shot } from '../../location/shot';
import type { ShelfLookup } from '../../shop/purchase';
import { shelfOf } from '../context';
import { Derivations } from '../derive';
import { shotTargetLx } from '../light';

/** What is asked, with all it refers to looked up. */
export interface Question {
  document: Production;
  shot: Shot;
  /** what the light will hang on, and what hangs on it already, A */
  circuit: Circuit;
  othersA: number;
  context: FormContext;
  shelf: ShelfLookup;
  targetLx: number;
  /** light that ripples with the mains leaves no bands at the shot’s shutter */
  clean: boolean;
}

/** The breaker a light for the shot would hang on: that of its builds, or the first. */
export const circuitOf = ({ builds, circuits }: Production, shotId: string): Circuit => {
  const wanted = builds.find((build) => build.shotId === shotId)?.circuitId;
  return circuits.find(({ id }) => id === wanted) ?? circuits[0]!;
};

/**
 * @param derive  results kept from before, where there are any
 * @returns null where there is no such shot
 */
export function questionOf(
  document: Production,
  shotId: string,
  derive = new Derivations(),
): Question | null {
  const shot = document.shots.find(({ id }) => id === shotId);
  if (!shot) return null;
  const circuit = circuitOf(document, shotId);
  const { part, unit, finish, hardware } = shelfOf(document);
  // Other lights of the same shot are other answers to the same question.
  const others = document.builds.filter(
    (build) =>
      build.shotId !== shotId && build.circuitId === circuit.id && build.standing === 'in use',
  );
  const amps = others.map((build) => derive.amps(document, build, circuit.voltageV));
  return {
    document,
    shot,
    circuit,
    othersA: amps.reduce((sum, a) => sum + a, circuit.otherLoadW / circuit.voltageV),
    context: { shot, circuit, part, unit, finish },
    shelf: { part, unit, hardware },
    targetLx: shotTargetLx(shot),
    clean: isCleanExposure(
      exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
      mainsFlickerHz(circuit.frequencyHz),
    ),
  };
}
