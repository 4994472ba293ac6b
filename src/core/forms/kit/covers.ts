import type { Need } from '../../build/needs';
import type { SheetPiece } from '../../build/pieces';
import type { Step } from '../../build/step';
import { hardware, screws } from './needs';
import { step } from './steps';

/** A cover stands so far off the back that cord and terminals lie under it, on stand-offs so far apart [common practice]. */
export const COVER_OFF_M = 0.03;
const APART_M = 0.35;

/** Stand-offs that a cover of a size round its edge rests on. */
export const standOffs = (roundM: number): number => Math.max(4, Math.ceil(roundM / APART_M));

/** Hard and insulating, over every terminal: the piece is cut, this is what holds it. */
export const coverNeeds = (cover: SheetPiece, count: number): Need[] => [
  ...hardware('stand-off', count, 'the cover rests on them', 'fit-cover', '30 mm'),
  ...screws(count, COVER_OFF_M, `through “${cover.name}” into the stand-offs`, 'fit-cover'),
];

/** Cut and tried while nothing is wired yet; it goes on for good when the cord is held. */
export const coverStep = (count: number, pieces: readonly string[] = ['back-cover']): Step =>
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
