/** A cloth from one bolt, in one length or of several sewn together; metres. */
export interface ClothCut {
  /** strips cut from the bolt */
  panels: number;
  panelLengthM: number;
  /** across the bolt */
  panelWidthM: number;
  /** running metres of the bolt */
  totalM: number;
  seams: number;
  /** size after seams and hems are sewn */
  finishedWidthM: number;
  finishedHeightM: number;
  /** true when the strips run along the width */
  alongWidth: boolean;
  /** how strips meet: along their length, or end to end */
  joined: 'side by side' | 'end to end';
}

interface ClothWanted {
  widthM: number;
  heightM: number;
  /** allowance on each edge of a seam, where there is one */
  seamM: number;
  /** turned in all round */
  hemM: number;
}

/** Cloth that is worth saving before a seam is sewn for it: 5 m of seam take half an hour [common practice]. */
const SEAM_WORTH_M = 0.35;
const HAIR = 1e-9;

/** Strips side by side, running along one direction; as many as the cloth and its seams want. */
function sideBySide(wanted: ClothWanted, boltM: number, alongWidth: boolean): ClothCut {
  const { widthM, heightM, seamM, hemM } = wanted;
  const [along, across] = alongWidth ? [widthM, heightM] : [heightM, widthM];
  const panels = Math.max(1, Math.ceil(across / boltM - HAIR));
  // What the seams take comes off whatever the strips have over.
  const sewn = Math.min(across, panels * boltM - 2 * seamM * (panels - 1)) - 2 * hemM;
  const long = along - 2 * hemM;
  return {
    panels,
    panelLengthM: along,
    panelWidthM: panels > 1 ? boltM : across,
    totalM: panels * along,
    seams: panels - 1,
    finishedWidthM: alongWidth ? long : sewn,
    finishedHeightM: alongWidth ? sewn : long,
    alongWidth,
    joined: 'side by side',
  };
}

/**
 * A long narrow cloth of strips cut beside one another and joined end to end: a skirt of 16 m does not take
 * 16 m of a bolt three times as wide.
 */
function endToEnd(wanted: ClothWanted, boltM: number, alongWidth: boolean): ClothCut | null {
  const { widthM, heightM, seamM, hemM } = wanted;
  const [along, across] = alongWidth ? [widthM, heightM] : [heightM, widthM];
  const beside = Math.floor(boltM / across + HAIR);
  if (beside < 2) return null;
  // All strips alike, in one rank across the bolt; each seam takes its allowance from both.
  const panels = beside;
  const stripM = (along + 2 * seamM * (panels - 1)) / panels;
  return {
    panels,
    panelLengthM: stripM,
    panelWidthM: across,
    totalM: stripM,
    seams: panels - 1,
    finishedWidthM: (alongWidth ? along : across) - 2 * hemM,
    finishedHeightM: (alongWidth ? across : along) - 2 * hemM,
    alongWidth,
    joined: 'end to end',
  };
}

/**
 * How a cloth of a size is cut from a bolt. Two lengths of 6 × 1.5 m make a 6 × 3 m cloth; seams and hems are
 * taken from it, so that it comes out a little smaller and is laced into its frame. Where light passes, the
 * fewest seams decide, then the cloth; elsewhere a seam is worth some cloth saved.
 * @param seamM  allowance on each edge of a seam, where there is one
 * @param hemM  turned in all round
 * @param lit  light passes it: a seam would show
 */
export function cutCloth(
  widthM: number,
  heightM: number,
  boltM: number,
  seamM: number,
  hemM: number,
  lit = false,
): ClothCut {
  const wanted = { widthM, heightM, seamM, hemM };
  const whole = [sideBySide(wanted, boltM, true), sideBySide(wanted, boltM, false)];
  const ways = lit
    ? whole
    : [...whole, endToEnd(wanted, boltM, true), endToEnd(wanted, boltM, false)].filter(
        (way) => way !== null,
      );
  const cost = ({ totalM, seams }: ClothCut) =>
    lit ? [seams, totalM] : [totalM + SEAM_WORTH_M * seams, seams];
  return ways.reduce((best, way) => (less(cost(way), cost(best)) ? way : best));
}

const less = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((value, k) => Math.abs(value - b[k]!) > HAIR);
  return at >= 0 && a[at]! < b[at]!;
};
