'use client';
import { Plus, Settings2, Shapes, Wrench } from 'lucide-react';
import { useState } from 'react';
import type { Build } from '@/core/document/production';
import { lazyPanel } from '@/ui/lazyPanel';
import { useProduction } from '../store/context';

const BuildDialog = lazyPanel(() => import('./BuildDialog'));
const FormDialog = lazyPanel(() => import('./FormDialog'));
const AccessoriesDialog = lazyPanel(() => import('./AccessoriesDialog'));

type Panel = 'place' | 'form' | 'another' | 'accessories' | null;

/** Which shot the build is for and where it is plugged in; opens the rest. */
export function BuildHead({ build }: { build: Build }) {
  const [open, setOpen] = useState<Panel>(null);
  const close = () => setOpen(null);
  const shots = useProduction((state) => state.document.shots);
  const circuits = useProduction((state) => state.document.circuits);
  const shot = shots.find(({ id }) => id === build.shotId);
  // Another light for a shot that was taken away begins with the first there is.
  const shotId = shot?.id ?? shots[0]?.id;
  const circuit = circuits.find(({ id }) => id === build.circuitId);
  return (
    <>
      <HeadButton onPress={() => setOpen('another')}>
        <Plus size={15} aria-hidden /> New light
      </HeadButton>
      <HeadButton onPress={() => setOpen('form')}>
        <Shapes size={15} aria-hidden /> Form
      </HeadButton>
      <HeadButton onPress={() => setOpen('accessories')}>
        <Wrench size={15} aria-hidden /> Accessories
        {build.accessories.length > 0 && ` (${build.accessories.length})`}
      </HeadButton>
      <HeadButton onPress={() => setOpen('place')}>
        <Settings2 size={15} aria-hidden />
        <span className="max-w-[84px] truncate">
          {shot ? `For ${shot.name}` : 'For no shot'}, on {circuit?.name}
        </span>
      </HeadButton>
      {open === 'place' && <BuildDialog build={build} onClose={close} />}
      {open === 'form' && shotId && <FormDialog build={build} shotId={shotId} onClose={close} />}
      {open === 'another' && shotId && <FormDialog build={null} shotId={shotId} onClose={close} />}
      {open === 'accessories' && <AccessoriesDialog build={build} onClose={close} />}
    </>
  );
}

function HeadButton({ onPress, children }: { onPress: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-haspopup="dialog"
      className="press flex items-center gap-1.5 !px-2 text-[13px]"
      onClick={onPress}
    >
      {children}
    </button>
  );
}
