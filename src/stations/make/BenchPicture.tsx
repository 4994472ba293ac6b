'use client';
import type { Step } from '@/core/build/step';
import { shopLength } from '@/core/quantity';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { pieceView } from '@/core/shop/planView';
import { useDevice } from '@/ui/device';
import { QUIET_VIEW, ViewDrawing, WIRING_LETTER } from '@/ui/drawing/ViewDrawing';
import type { InMaking } from './MakeStation';

/** Here the board lies alone on the bench, whatever else it will carry. */
const AT_THE_BOARD: readonly Step['stage'][] = ['mark', 'cut', 'finish'];
const WIRED: readonly Step['stage'][] = ['wire', 'close', 'look over', 'power up'];

/** What the hands are at: the piece that is worked on, the wires from behind, or the light as it stands now. */
export function BenchPicture({ at: { build, readouts }, step }: { at: InMaking; step: Step }) {
  const { units } = useDevice();
  const length = (metres: number) => shopLength(metres, units);
  const piece = readouts.pieces.find(
    (each) =>
      each.kind === 'sheet' &&
      (step.pieces.length === 0 || step.works === 'sheet' || step.pieces.includes(each.id)),
  );
  const document = useProduction((state) => state.document);
  const atBoard = piece?.kind === 'sheet' && AT_THE_BOARD.includes(step.stage);
  const { views } = readouts.drawing;
  const wires = WIRED.includes(step.stage) && views.find(({ id }) => id === 'wiring');
  const { answer: assembled } = useEngine(
    (engine) => engine.stepView(document, build.id, step.id),
    [build.id, readouts.pieces, step.id],
    !atBoard && !wires,
  );
  // Until it is drawn the front stands there, so that nothing jumps.
  const view = atBoard ? pieceView(piece, length) : wires || (assembled ?? views[0]);
  if (!view) return null;
  return (
    <figure className="min-h-0">
      <div className="h-[clamp(170px,calc(100dvh-480px),620px)]">
        <ViewDrawing
          view={view}
          mostLetter={view.id === 'wiring' ? WIRING_LETTER : undefined}
          lengthText={length}
          faces={view.id !== 'wiring'}
          {...QUIET_VIEW}
        />
      </div>
      <figcaption className="text-center text-[13px] text-ink-soft">{view.title}</figcaption>
    </figure>
  );
}
