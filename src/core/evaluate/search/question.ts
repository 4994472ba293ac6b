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
import { begunBuild } from '../starter';

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
const circuitOf = ({ builds, circuits }: Production, shotId: string): Circuit => {
  const wanted = builds.find((build) => build.shotId === shotId)?.circuitId;
  return circuits.find(({ id }) => id === wanted) ?? circuits[0]!;
};

/** @returns null where there is no such shot */
export function questionOf(document: Production, shotId: string): Question | null {
  const shot = document.shots.find(({ id }) => id === shotId);
  if (!shot) return null;
  const circuit = circuitOf(document, shotId);
  const { part, unit, finish, hardware } = shelfOf(document);
  // Other lights of the same shot are other answers to the same question.
  const others = document.builds.filter((build) => build.shotId !== shotId);
  const alone = begunBuild({ id: 'none', name: 'none' }, shotId, circuit.id, {});
  return {
    document,
    shot,
    circuit,
    othersA: new Derivations().othersA({ ...document, builds: [...others, alone] }, alone),
    context: { shot, circuit, part, unit, finish },
    shelf: { part, unit, hardware },
    targetLx: shotTargetLx(shot),
    clean: isCleanExposure(
      exposureTimeS(shot.shutterAngleDeg, shot.frameRateHz),
      mainsFlickerHz(circuit.frequencyHz),
    ),
  };
}
