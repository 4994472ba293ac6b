'use client';
import { useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
import { WithBuild, type AtHand } from '../build/WithBuild';
import { Tray } from '../build/Tray';
import { useBuildForm } from '../build/useBuildForm';
import { GateMark } from './GateMark';

const MainsSheet = lazyPanel(() => import('./MainsSheet'));
const CircuitsSheet = lazyPanel(() => import('./CircuitsSheet'));
const TapeSheet = lazyPanel(() => import('./TapeSheet'));
const DimmingSheet = lazyPanel(() => import('./DimmingSheet'));
const GateSheet = lazyPanel(() => import('./GateSheet'));

const SHEETS = [
  ['mains', 'Cord and plug'],
  ['circuits', 'Circuits'],
  ['tape', 'Along the tape'],
  ['dimming', 'Less light'],
  ['gate', 'Power-up'],
] as const;
type SheetId = (typeof SHEETS)[number][0];

/** Whether cable, plastic and people stay whole. */
export const WireStation = () => <WithBuild Sheet={WireSheet} />;

function WireSheet({ build, readouts }: AtHand) {
  const { wire } = readouts;
  const form = useBuildForm(build);
  const [sheet, setSheet] = useState<SheetId>('mains');
  const sheets = SHEETS.filter(([id]) => id !== 'tape' || wire.tape);
  if (!form) return null;
  return (
    <div className="flex h-full flex-col bg-sheet max-md:h-auto">
      <Sheets
        label="Wiring"
        sheets={sheets}
        open={sheet}
        onOpen={setSheet}
        beside={
          <>
            <span className="flex-1" />
            <GateMark findings={readouts.findings} />
          </>
        }
      >
        {sheet === 'mains' && <MainsSheet build={build} readouts={readouts} wire={wire} />}
        {sheet === 'circuits' && <CircuitsSheet />}
        {sheet === 'tape' && wire.tape && (
          <TapeSheet build={build} tape={wire.tape} findings={readouts.findings} />
        )}
        {sheet === 'dimming' && <DimmingSheet wire={wire} ways={readouts.alternatives} />}
        {sheet === 'gate' && <GateSheet build={build} findings={readouts.findings} />}
      </Sheets>
      <Tray
        form={form}
        findings={readouts.findings}
        solvedParameters={readouts.parameters}
        startsShut
      />
    </div>
  );
}
