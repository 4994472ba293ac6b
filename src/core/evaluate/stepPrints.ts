import type { Step } from '../build/step';
import type { WireRole } from '../power/conductors';
import { canonicalHash } from './signedState';
import type { WorkedOut } from './readouts';

/** Stages whose steps are done for the light as a whole: whatever a sign-off is given for. */
export const WHOLE: ReadonlySet<Step['stage']> = new Set(['look over', 'power up', 'warm']);
const WIRED: ReadonlySet<Step['stage']> = new Set(['wire', 'close']);
const LOW: ReadonlySet<WireRole> = new Set(['plus', 'minus']);

/** The wires a step lays or holds: those behind a supply where tape is joined, the mains side everywhere else. */
function wiresOf({ stage, id }: Step, { tape, wiring }: WorkedOut['wire']) {
  if (!WIRED.has(stage)) return null;
  const low = tape !== null && stage === 'wire' && id !== 'wire-mains';
  const conductors = wiring.conductors.filter(({ role }) => LOW.has(role) === low);
  const cuts = new Set(conductors.map(({ cut }) => cut));
  return { conductors, cuts: wiring.cuts.filter((cut) => cuts.has(cut.id)) };
}

/**
 * What each step is done for, as one mark a step: its own words with their figures, the pieces it works on and
 * what it takes off the bench; from the wiring on, every wire; from the look-over on, everything a sign-off is
 * given for. A change of the design changes the marks of exactly the steps that depend on it.
 * @param signed  mark of the whole state (`signedState`)
 */
export function stepPrints(
  { steps, pieces, needs, wire }: Pick<WorkedOut, 'steps' | 'pieces' | 'needs' | 'wire'>,
  signed: string,
): Map<string, string> {
  return new Map(
    steps.map((step) => {
      const { id, stage, title, check, works, pieces: own } = step;
      const worked = pieces.filter(
        (piece) => own.includes(piece.id) || (works !== undefined && piece.kind === works),
      );
      const taken = needs
        .filter((need) => need.step === id)
        .map(({ item, quantity }) => ({ item, quantity }));
      return [
        id,
        canonicalHash({
          title,
          check,
          worked,
          taken,
          wires: wiresOf(step, wire),
          whole: WHOLE.has(stage) ? signed : null,
        }),
      ];
    }),
  );
}
