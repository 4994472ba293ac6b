import { nanoid } from 'nanoid';
import {
  applyCommands,
  makeBatch,
  undoCommands,
  type Batch,
  type Change,
  type Command,
} from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { notAllowed, type Right } from '@/core/document/rights';
import { touchedProblems } from '@/core/document/touched';
import { recorded, redone, tooOld, undone, type Recorded } from './history';
import type { Keeping } from './keeping';
import type { Sending } from './sending';
import type { Place, ProductionState, Refusal } from './state';

/** Typing is stored after this pause, so a crash loses less than half a second of it. */
const PAUSE_MS = 200;

type Attempt =
  | { refused: Pick<Refusal, 'message' | 'at'> }
  | { refused?: undefined; batch: Batch; document: Production };

const rightOf = ({ device }: ProductionState): Right => device?.right ?? 'edit';

/** Commands as a new move, if the document can take them. */
function attempt(
  document: Production,
  label: string,
  commands: readonly Command[],
  right: Right,
): Attempt {
  const barred = notAllowed(right, commands);
  if (barred) return { refused: { message: barred, at: null } };
  const done = applyCommands(document, commands);
  if (!done.ok) return { refused: { message: done.problems[0]!.message, at: null } };
  const [problem] = touchedProblems(done.value.document, commands);
  if (problem) return { refused: problem };
  const batch: Batch = {
    id: nanoid(10),
    label,
    commands: [...commands],
    inverse: done.value.inverse,
  };
  return { batch, document: done.value.document };
}

/** Moves of the user: new ones, and the last one taken back or done again. */
export function movingOf(
  { set, get }: Place,
  { remember }: Keeping,
  { schedule }: Sending,
  tell: (refusal: Omit<Refusal, 'id'>) => string,
) {
  const record = (document: Production, done: Recorded) => {
    // An open conflict stays open: sending waits until the user has chosen.
    const { save } = get();
    const next = save.kind === 'conflict' ? save : ({ kind: 'waiting' } as const);
    set({ document, history: done.history, save: next });
    remember(done);
    schedule(PAUSE_MS);
  };

  function enter(label: string, commands: readonly Command[]): string | null {
    if (commands.length === 0) return null;
    const made = attempt(get().document, label, commands, rightOf(get()));
    if (made.refused) return tell({ label, message: made.refused.message, at: made.refused.at });
    const { refusals, history } = get();
    if (refusals.length) set({ refusals: refusals.filter((each) => each.label !== label) });
    record(made.document, recorded(history, made.batch, Date.now()));
    return null;
  }

  /** Undo and redo: takes the last move of a list back, as far as nobody else changed it since. */
  function step(list: 'past' | 'future'): string | null {
    const { document, history, beforeDrag } = get();
    const last = history[list].at(-1);
    if (!last || beforeDrag || tooOld(last, Date.now())) return null;
    const move = list === 'past' ? undone : redone;
    const { label } = last.batch;
    const { commands, left, closed } = undoCommands(document, last.batch);
    const back = list === 'past' ? `undo ${label}` : label.replace(/^undo /, '');
    const made = commands.length > 0 ? attempt(document, back, commands, rightOf(get())) : null;
    if (!made || made.refused) {
      const off = move(history, null, Date.now());
      set({ history: off.history });
      remember(off);
      return made
        ? `${back}: not possible any more. ${made.refused.message}`
        : `${back}: left as it is, ${closed ? 'its session is closed' : 'it was changed elsewhere since'}`;
    }
    record(made.document, move(history, made.batch, Date.now()));
    return left > 0 ? `${back}; what was changed elsewhere since is left` : back;
  }

  return { record, enter, step };
}
export type Moving = ReturnType<typeof movingOf>;

/** A change shown while a handle is dragged: nothing is kept until it is let go. */
export function draggingOf(
  { set, get }: Place,
  { enter }: Moving,
): Pick<ProductionState, 'preview' | 'settle' | 'abandon'> {
  let dragged: Change | null = null;
  return {
    preview: (change) => {
      dragged = change;
      const before = get().beforeDrag ?? get().document;
      const made = makeBatch(before, '', '', change);
      set({ document: made?.document ?? before, beforeDrag: before });
    },
    settle: (label) => {
      const { beforeDrag } = get();
      if (!beforeDrag || !dragged) return null;
      const commands = dragged(beforeDrag);
      dragged = null;
      set({ document: beforeDrag, beforeDrag: null });
      return enter(label, commands);
    },
    abandon: () => {
      const { beforeDrag } = get();
      if (beforeDrag) set({ document: beforeDrag, beforeDrag: null });
    },
  };
}
