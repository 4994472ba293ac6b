import type { Change, Choice, Clash, FieldRef } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import type { Right } from '@/core/document/rights';
import type { History, Move } from './history';
import type { Newer } from './saving';

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'unanswered'; message: string }
  | {
      kind: 'conflict';
      newer: Newer;
      clashes: readonly Clash[];
      /** where the changes on top were made: in this window, or in it before it was left */
      from: 'here' | 'before';
    };

/** A change that was not taken, told where it was made. */
export interface Refusal {
  id: string;
  label: string;
  message: string;
  at: FieldRef | null;
}

/** Changes of a window that was closed before they were kept. */
export interface Offer {
  window: string;
  at: number;
  moves: readonly Move[];
  clashes: readonly Clash[];
}

/** Changes an older version of this program left in the browser, which nothing here can place. */
export interface Stranded {
  labels: readonly string[];
  /** as they lie in the browser */
  raw: unknown;
}

export interface ProductionState {
  /** who this is and what it may do; null for the bench itself, which may do everything */
  device: { name: string; right: Right } | null;
  document: Production;
  /** the document as the store has it, at `revision` */
  acknowledged: Production;
  revision: number;
  history: History;
  save: SaveState;
  refusals: readonly Refusal[];
  offers: readonly Offer[];
  stranded: Stranded | null;
  /** false when this browser keeps nothing: unsent changes live in this page alone */
  journalKept: boolean;
  /** document as it was when the running drag began */
  beforeDrag: Production | null;
  /** makes a change; the reason when it is not taken, which costs this change alone */
  change: (label: string, change: Change) => string | null;
  /** shows a change without recording it; many of these make one drag */
  preview: (change: Change) => void;
  /** records the drag as one edit */
  settle: (label: string) => string | null;
  abandon: () => void;
  undo: () => string | null;
  redo: () => string | null;
  dismiss: (refusalId: string) => void;
  /** asks the store for what others have changed, and takes it in beside what is unsent */
  follow: () => Promise<void>;
  /** reads this browser's journals after mounting; comes true when what they hold is taken up */
  recall: () => Promise<void>;
  takeNewer: () => void;
  putMineOnTop: (choices?: Readonly<Record<string, Choice>>) => void;
  takeOffer: (window: string, choices?: Readonly<Record<string, Choice>>) => void;
  dropOffer: (window: string) => void;
  dropStranded: () => void;
}

/** A production as the server hands it out. */
export interface Initial {
  document: Production;
  revision: number;
  /** the device that asks, where it is not the bench itself */
  device?: { name: string; right: Right } | null;
}

/** Where the parts of the store stand: its production, and its state read and written. */
export interface Place {
  id: string;
  get: () => ProductionState;
  set: (
    next: Partial<ProductionState> | ((state: ProductionState) => Partial<ProductionState>),
  ) => void;
}
