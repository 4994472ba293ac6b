/** A cloth sewn from lengths of one bolt; metres. */
export interface ClothCut {
  /** lengths cut from the bolt */
  panels: number;
  panelLengthM: number;
  /** running metres of the bolt */
  totalM: number;
  seams: number;
  /** size after seams and hems are sewn */
  finishedWidthM: number;
  finishedHeightM: number;
  /** true when the lengths run along the width */
  alongWidth: boolean;
}

/**
 * Cuts a cloth of a nominal size from a bolt: lengths side by side, whichever way takes less cloth.
 * Two lengths of 6 × 1.5 m make a 6 × 3 m cloth; seams and hems are taken from it, so that it comes
 * out a little smaller and is laced into its frame.
 * @param seamM  allowance on each edge of a seam
 * @param hemM  turned in all round
 */
export function cutCloth(
  widthM: number,
  heightM: number,
  boltM: number,
  seamM: number,
  hemM: number,
): ClothCut {
  const lay = (along: number, across: number, alongWidth: boolean): ClothCut => {
    const panels = Math.max(1, Math.ceil(across / boltM - 1e-9));
    const sewn = Math.min(across, panels * boltM) - 2 * seamM * (panels - 1) - 2 * hemM;
    return {
      panels,
      panelLengthM: along,
      totalM: panels * along,
      seams: panels - 1,
      finishedWidthM: alongWidth ? along - 2 * hemM : sewn,
      finishedHeightM: alongWidth ? sewn : along - 2 * hemM,
      alongWidth,
    };
  };
  const ways = [lay(widthM, heightM, true), lay(heightM, widthM, false)];
  return ways.reduce((best, way) => (way.totalM < best.totalM - 1e-9 ? way : best));
}
