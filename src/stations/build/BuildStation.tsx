'use client';
import { useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
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
      <Sheets
        label="Sheets"
        sheets={SHEETS}
        open={sheet}
        onOpen={setSheet}
        beside={
          <>
            <span className="flex-1" />
            <BuildHead build={build} />
          </>
        }
        className={
          sheet === 'drawing' ? 'min-h-0 flex-1 p-2' : 'relative min-h-0 flex-1 overflow-y-auto p-4'
        }
      >
        {sheet === 'drawing' && <BuildDrawing readouts={readouts} form={form} />}
        {sheet === 'marks' && <MarksTable readouts={readouts} />}
        {sheet === 'steps' && <StepsList readouts={readouts} />}
        {sheet === 'photographs' && <PhotographsSheet build={build} />}
      </Sheets>
      <Tray form={form} findings={readouts.findings} solvedParameters={readouts.parameters} />
    </div>
  );
}
