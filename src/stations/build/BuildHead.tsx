'use client';
import { Settings2 } from 'lucide-react';
import { useState } from 'react';
import type { Build } from '@/core/document/production';
import { lazyPanel } from '@/ui/lazyPanel';
import { useProduction } from '../store/context';

const BuildDialog = lazyPanel(() => import('./BuildDialog'));

/** Which shot the build is for and where it is plugged in; opens the rest. */
export function BuildHead({ build }: { build: Build }) {
  const [open, setOpen] = useState(false);
  const shots = useProduction((state) => state.document.shots);
  const circuits = useProduction((state) => state.document.circuits);
  const shot = shots.find(({ id }) => id === build.shotId);
  const circuit = circuits.find(({ id }) => id === build.circuitId);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        className="press flex max-w-[330px] items-center gap-1.5 text-[13px]"
        onClick={() => setOpen(true)}
      >
        <Settings2 size={15} aria-hidden />
        <span className="truncate">
          For {shot?.name}, on {circuit?.name}
        </span>
      </button>
      {open && <BuildDialog build={build} onClose={() => setOpen(false)} />}
    </>
  );
}
