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

/** lm that one patch gets from all, by its row of the table. Four sums at once, which do not wait for one another. */
function arriving(sharedM2: Float64Array, exitance: Float64Array, row: number): number {
  const count = exitance.length;
  const even = count - (count % 4);
  let a = 0;
  let b = 0;
  let c = 0;
  let d = 0;
  for (let j = 0; j < even; j += 4) {
    a += sharedM2[row + j]! * exitance[j]!;
    b += sharedM2[row + j + 1]! * exitance[j + 1]!;
    c += sharedM2[row + j + 2]! * exitance[j + 2]!;
    d += sharedM2[row + j + 3]! * exitance[j + 3]!;
  }
  for (let j = even; j < count; j++) a += sharedM2[row + j]! * exitance[j]!;
  return a + b + c + d;
}

/** Light that goes through: by patch, the one on the other side (−1 for none) and the share that comes out there. */
export interface Through {
  behind: Int32Array;
  passes: Float64Array;
}

/**
 * M = ρ·(E₀ + F·M), and for what lets light through τ times the same on its other side, patch until nothing changes [std: Gauss–Seidel on the radiosity equation].
 * @param directLx  on each patch, straight from the source
 * @param reflectance  of each patch, 0…1
 */
export function settle(
  { patches, sharedM2, seenM2, closed }: Exchange,
  directLx: Float64Array,
  reflectance: Float64Array,
  through?: Through,
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
  const areas = Float64Array.from(patches, ({ areaM2 }) => areaM2);
  const lit = Float64Array.from(directLx);
  for (let round = 0; round < ROUNDS; round++) {
    let changed = 0;
    let whole = 0;
    for (let i = 0; i < count; i++) {
      const lx = directLx[i]! + arriving(sharedM2, exitance, i * count) / areas[i]!;
      lit[i] = lx;
      const behind = through ? through.behind[i]! : -1;
      const next = reflectance[i]! * lx + (behind < 0 ? 0 : through!.passes[i]! * lit[behind]!);
      changed += Math.abs(next - exitance[i]!) * areas[i]!;
      whole += next * areas[i]!;
      exitance[i] = next;
    }
    if (changed <= STILL * whole) break;
  }
  const illuminance = directLx.map(
    (lx, i) => lx + arriving(sharedM2, exitance, i * count) / areas[i]!,
  );
  return accept({ exitance, illuminance, imbalance: imbalanceOf() });

  /** What came in against what was swallowed and what left between the patches. */
  function imbalanceOf(): number {
    let [came, ended] = [0, 0];
    patches.forEach(({ areaM2 }, i) => {
      came += areaM2 * directLx[i]!;
      const kept =
        1 - reflectance[i]! - (through && through.behind[i]! >= 0 ? through.passes[i]! : 0);
      ended += areaM2 * kept * illuminance[i]!;
      ended += exitance[i]! * (areaM2 - seenM2[i]!);
    });
    return came > 0 ? Math.abs(ended / came - 1) : 0;
  }
}
