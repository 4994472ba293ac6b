import { refuse, accept, type Result } from '../result';
import type { Exchange } from './exchange';

/** Light of one source in one band after every order of bounce. */
export interface Settled {
  /** lm/m² that each patch sends on */
  exitance: Float64Array;
  /** lx on each patch, direct and by way of all others */
  illuminance: Float64Array;
  /** share of the light that came in and neither was swallowed nor got out, as it adds up */
  imbalance: number;
}

const ROUNDS = 2000;
/** A round that changes no more than this of the whole is the last. */
const STILL = 1e-10;

/**
 * M = ρ·(E₀ + F·M), patch after patch until nothing changes [std: Gauss–Seidel on the radiosity equation].
 * @param directLx  on each patch, straight from the source
 * @param reflectance  of each patch, 0…1
 */
export function settle(
  { patches, sharedM2, closed }: Exchange,
  directLx: Float64Array,
  reflectance: Float64Array,
): Result<Settled> {
  const count = patches.length;
  if (reflectance.some((rho) => !(rho >= 0 && rho <= 1)))
    return refuse('reflectance', 'A surface sends back between nothing and all of its light.');
  if (closed && reflectance.every((rho) => rho === 1))
    return refuse(
      'endless',
      'Every surface of this closed room sends all light back, so it never ends: let one of them swallow some.',
    );
  const exitance = directLx.map((lx, i) => lx * reflectance[i]!);
  const arriving = (i: number): number => {
    let sum = 0;
    const row = i * count;
    for (let j = 0; j < count; j++) sum += sharedM2[row + j]! * exitance[j]!;
    return sum / patches[i]!.areaM2;
  };
  for (let round = 0; round < ROUNDS; round++) {
    let [changed, whole] = [0, 0];
    for (let i = 0; i < count; i++) {
      const next = reflectance[i]! * (directLx[i]! + arriving(i));
      changed += Math.abs(next - exitance[i]!) * patches[i]!.areaM2;
      whole += next * patches[i]!.areaM2;
      exitance[i] = next;
    }
    if (changed <= STILL * whole) break;
  }
  const illuminance = directLx.map((lx, i) => lx + arriving(i));
  return accept({ exitance, illuminance, imbalance: imbalanceOf() });

  /** What came in against what was swallowed and what left between the patches. */
  function imbalanceOf(): number {
    let [came, ended] = [0, 0];
    patches.forEach(({ areaM2 }, i) => {
      came += areaM2 * directLx[i]!;
      ended += areaM2 * (1 - reflectance[i]!) * illuminance[i]!;
      let seen = 0;
      for (let j = 0; j < count; j++) seen += sharedM2[i * count + j]!;
      ended += exitance[i]! * (areaM2 - seen);
    });
    return came > 0 ? Math.abs(ended / came - 1) : 0;
  }
}
