'use client';
import { createContext, useContext, useState } from 'react';
import type { SetWorking } from '@/core/evaluate/setup/working';
import { show, showText } from '@/core/quantity';
import type { Dimension } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { Dialog } from '@/ui/Dialog';
import { Inputs } from '../shell/WorkingInputs';

const Why = createContext<(told: SetWorking) => void>(() => undefined);
/** Opens the working of a figure. */
export const useWhy = () => useContext(Why);

/** Figures within may be asked how they came about. */
export function WhySheet({ children }: { children: React.ReactNode }) {
  const { units } = useDevice();
  const [told, tell] = useState<SetWorking | null>(null);
  const write = (value: number, dimension: Dimension) => showText(show(value, dimension, units));
  return (
    <Why value={tell}>
      {children}
      {told && (
        <Dialog title={`${told.title}: the working`} open onClose={() => tell(null)} place="side">
          <p className="figure text-2xl font-medium">{told.words}</p>
          <p className="text-ink-soft">{told.error}</p>
          <h3 className="mt-4 text-ink-soft">Formula</h3>
          <p className="figure text-sm">{told.formula}</p>
          <h3 className="mt-3 text-ink-soft">With the numbers</h3>
          <p className="figure text-sm">{told.substituted}</p>
          {told.inputs.length > 0 && (
            <>
              <h3 className="mt-3 text-ink-soft">What went in</h3>
              <Inputs working={told} write={write as never} />
            </>
          )}
          <h3 className="mt-3 text-ink-soft">Source</h3>
          <p className="text-sm">{told.source}.</p>
          <h3 className="mt-3 text-ink-soft">It leaves out</h3>
          <p className="text-sm">{told.leavesOut}</p>
        </Dialog>
      )}
    </Why>
  );
}
