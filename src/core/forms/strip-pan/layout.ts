import type { FormContext } from '../form';
import { partOf } from '../kit/lookup';
import { mm } from '../../quantity';
import {
  continuousRows,
  cutMarkOf,
  cutRows,
  stripOf,
  tapeWidthOf,
  type TapeRows,
} from '../kit/tape';
import type { Problem } from '../../result';
import type { StripPan } from './parameters';

/** Rows on the base keep so far from the rim. */
const EDGE_M = 0.01;
/** Tape on the base, to the middle of its diodes. */
const TAPE_HIGH_M = 0.002;

/** Wall of a pan, and of the clamp that sits on it [typ]. */
export const RIM_WALL_M = 0.001;
export const CLAMP_M = 0.004;
/** Of a bought pan, or of the board that base and rim are cut from. */
export const wallM = ({ panPartId, boardPartId }: StripPan, context: FormContext): number =>
  panPartId === null && boardPartId !== null
    ? partOf(context, boardPartId, 'sheet')?.thicknessM || THIN_BOARD_M
    : RIM_WALL_M;
/** A board nobody has chosen yet: thin enough to bend round the rim [typ]. */
export const THIN_BOARD_M = 0.003;

export interface PanLayout {
  radiusM: number;
  circumferenceM: number;
  /** radius of each row: the rim's for all, or circles on the base */
  radiiM: number[];
  /** height of each row's middle over the base */
  heightsM: number[];
  rows: TapeRows;
  /** turns of the rim that one reel makes, whatever fits */
  turnsPerReel: number | null;
}

/** Rows on the rim stack upwards within the depth; on the base they are circles from the rim in. */
export function layoutPan(pan: StripPan, context: FormContext): PanLayout {
  const strip = stripOf(pan, context);
  const width = tapeWidthOf(strip);
  const radiusM = pan.diameterM / 2;
  const circumferenceM = Math.PI * pan.diameterM;
  const onRim = pan.tapeOn === 'rim';
  const room = onRim ? pan.depthM : radiusM - EDGE_M;
  const fit = room < width ? 0 : Math.floor((room - width) / pan.rowPitchM + 1e-9) + 1;
  const count = Math.min(fit, pan.rows);
  const places = Array.from({ length: count }, (_, k) => width / 2 + k * pan.rowPitchM);
  const radiiM = onRim ? places.map(() => radiusM) : places.map((place) => radiusM - place);
  const heightsM = onRim ? places : places.map(() => TAPE_HIGH_M);
  const lengths = radiiM.map((radius) => Math.max(0, 2 * Math.PI * radius - pan.clampGapM));
  return {
    radiusM,
    circumferenceM,
    radiiM,
    heightsM,
    // Where the clamp sits no tape passes: each turn is cut there, and joined to the next.
    rows:
      pan.clampGapM > 0
        ? cutRows(lengths, pan.tapeLengthM, cutMarkOf(strip))
        : continuousRows(lengths, pan.tapeLengthM, cutMarkOf(strip), pan.rowPitchM),
    turnsPerReel:
      strip && circumferenceM > pan.clampGapM
        ? strip.reelLengthM / (circumferenceM - pan.clampGapM)
        : null,
  };
}

export function panProblems(pan: StripPan, context: FormContext): Problem[] {
  const width = tapeWidthOf(stripOf(pan, context));
  const problems: Problem[] = [];
  if (pan.tapeOn === 'rim' && pan.depthM < width)
    problems.push({
      code: 'shallow',
      path: 'depthM',
      message: `A rim ${mm(pan.depthM)} deep does not take tape ${mm(width)} wide.`,
    });
  if (pan.rowPitchM < width - 1e-9)
    problems.push({
      code: 'rows_overlap',
      path: 'rowPitchM',
      message: `Rows ${mm(pan.rowPitchM)} apart overlap: the tape is ${mm(width)} wide.`,
    });
  if (pan.clampGapM >= Math.PI * pan.diameterM)
    problems.push({
      code: 'gap',
      path: 'clampGapM',
      message: `A gap of ${mm(pan.clampGapM)} is the whole rim.`,
    });
  return problems;
}
