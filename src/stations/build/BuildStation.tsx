'use client';
import { useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { SheetSwitch } from '@/ui/SheetSwitch';
import { BuildDrawing } from './BuildDrawing';
import { BuildHead } from './BuildHead';
import { WithBuild, type AtHand } from './WithBuild';
import { Tray } from './Tray';
import { useBuildForm } from './useBuildForm';

const MarksTable = lazyPanel(() => import('./MarksTable'));
const PhotographsSheet = lazyPanel(() => import('./PhotographsSheet'));
const StepsList = lazyPanel(() => import('./StepsList'));

const SHEETS = [
  ['drawing', 'Drawing'],
  ['marks', 'Marks and pieces'],
  ['steps', 'Steps'],
  ['photographs', 'Photographs'],
] as const;

export const BuildStation = () => <WithBuild Sheet={BuildSheet} />;

function BuildSheet({ build, readouts }: AtHand) {
  const form = useBuildForm(build);
  const [sheet, setSheet] = useState<(typeof SHEETS)[number][0]>('drawing');
  if (!form) return null;
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
          {sheet === 'photographs' && <PhotographsSheet build={build} />}
        </div>
      )}
      <Tray form={form} findings={readouts.findings} filled={readouts.parameters} />
    </div>
  );
}
