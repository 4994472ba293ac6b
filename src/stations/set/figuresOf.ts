import type { SetAnswer } from '@/core/evaluate/setup/engine';
import type { UnitSystem } from '@/core/quantity';
import type { Lit } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import type { SetEdits } from './useSetEdits';

/** What figures of a setup are read from. */
export interface SetFiguresProps {
  setup: Setup;
  answer: SetAnswer;
  lit: readonly Lit[];
  targetLx: number;
  edits: SetEdits;
  units: UnitSystem;
  /** what the worker calls the production’s stock */
  stock: string;
}
