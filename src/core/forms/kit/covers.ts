import type { Need } from '../../build/needs';
import type { Step } from '../../build/step';
import { hardware, screws } from './needs';
import { step } from './steps';

/** A cover stands so far off the back that cord and terminals lie under it, on stand-offs so far apart [common practice]. */
export const COVER_OFF_M = 0.03;
const APART_M = 0.35;
/** A hard cover that is bought to its size [typ]. */
export const COVER_SHEET_M = 0.002;

/** From a board's back to the cover's own back. @param thicknessM  of the cover's sheet; 0 where none is chosen */
export const coverDepthM = (thicknessM: number | undefined): number =>
  COVER_OFF_M + (thicknessM || COVER_SHEET_M);

/**
 * Σ mass · distance before the cover's back: boards lie on the stand-offs, what is fitted stands half-way to the
 * front.
 */
export const coveredMomentKgM = (
  boardsKg: number,
  fittingsKg: number,
  thicknessM: number,
  frontM: number,
): number =>
  boardsKg * (COVER_OFF_M + thicknessM / 2) + fittingsKg * (COVER_OFF_M + thicknessM + frontM / 2);

/** Stand-offs that a cover of a size round its edge rests on. */
export const standOffs = (roundM: number): number => Math.max(4, Math.ceil(roundM / APART_M));

/**
 * Hard and insulating, over every terminal: cut from a sheet of the shelf, or bought to its size.
 * @param size of one that is bought: “1000 × 140 mm”; null where it is cut
 */
export const coverNeeds = (size: string | null, count: number): Need[] => [
  ...(size === null ? [] : hardware('back-panel', 1, 'covers the terminals', 'fit-cover', size)),
  ...hardware('stand-off', count, 'the cover rests on them', 'fit-cover', '30 mm'),
  ...screws(count, COVER_OFF_M, 'through the back cover into the stand-offs', 'fit-cover'),
];

/** Cut and tried while nothing is wired yet; it goes on for good when the cord is held. */
export const coverStep = (count: number, pieces: readonly string[]): Step =>
  step(
    'mount',
    'fit-cover',
    'Make the back cover and try it on',
    'It will keep fingers and metal off the terminals',
    'saw or knife, drill, screwdriver',
    15 + count,
    'it sits on all its stand-offs, the tail has its notch; taken off again for the wiring',
    {
      hazards: ['A hard, insulating sheet: no metal, nothing that a finger pushes in.'],
      pieces,
    },
  );
