'use client';
import { useState } from 'react';
import type { Build } from '@/core/document/production';
import type { Readouts } from '@/core/evaluate/evaluate';
import { lazyPanel } from '@/ui/lazyPanel';
import { SheetSwitch } from '@/ui/SheetSwitch';
import { useWorkplace } from '../shell/useWorkplace';
import { BuildDrawing } from './BuildDrawing';
import { BuildHead } from './BuildHead';
import { NoBuild } from './NoBuild';
import { Tray } from './Tray';
import { useBuildForm } from './useBuildForm';

const MarksTable = lazyPanel(() => import('./MarksTable'));
const StepsList = lazyPanel(() => import('./StepsList'));

const SHEETS = [
  ['drawing', 'Drawing'],
  ['marks', 'Marks and pieces'],
  ['steps', 'Steps'],
] as const;

export function BuildStation() {
  const { build, readouts } = useWorkplace();
  if (!build || !readouts) return <NoBuild />;
  return <BuildSheet build={build} readouts={readouts} />;
}

function BuildSheet({ build, readouts }: { build: Build; readouts: Readouts }) {
  const form = useBuildForm(build);
  const [sheet, setSheet] = useState<(typeof SHEETS)[number][0]>('drawing');
  if (!form || !readouts.drawing)
    return (
      <div className="p-6">
        <h2 className="text-xl">{build.name}</h2>
        <p className="mt-2">{readouts.findings[0]?.message}</p>
      </div>
    );
  return (
    <div className="flex h-full flex-col bg-sheet">
      <div className="flex flex-wrap items-center gap-x-4 border-b border-line px-4 py-1">
        <SheetSwitch label="Sheets" sheets={SHEETS} open={sheet} onOpen={setSheet} />
        <span className="flex-1" />
        <BuildHead build={build} />
      </div>
      {sheet === 'drawing' ? (
        <div className="min-h-0 flex-1 p-2">
          <BuildDrawing drawing={readouts.drawing} form={form} />
        </div>
      ) : (
        <div
          className="relative min-h-0 flex-1 overflow-y-auto p-4"
          tabIndex={0}
          role="group"
          aria-label="Sheet"
        >
          {sheet === 'marks' && <MarksTable readouts={readouts} />}
          {sheet === 'steps' && <StepsList readouts={readouts} />}
        </div>
      )}
      <Tray form={form} findings={readouts.findings} filled={readouts.parameters} />
    </div>
  );
}
