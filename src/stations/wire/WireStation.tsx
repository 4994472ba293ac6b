'use client';
import { useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
import { WithBuild, type AtHand, type BuildSheet } from '../build/WithBuild';
import { Tray } from '../build/Tray';
import { useBuildForm } from '../build/useBuildForm';
import { GateMark } from './GateMark';

const SafeSheet = lazyPanel(() => import('./SafeSheet'));
const WiresSheet = lazyPanel(() => import('./WiresSheet'));
const CircuitsSheet = lazyPanel(() => import('./CircuitsSheet'));
const TapeSheet = lazyPanel(() => import('./TapeSheet'));
const DimmingSheet = lazyPanel(() => import('./DimmingSheet'));
const GateSheet = lazyPanel(() => import('./GateSheet'));

const SHEETS: readonly BuildSheet[] = [
  { id: 'safe', name: 'From breaker to lamp', Sheet: SafeSheet },
  { id: 'wires', name: 'Wires', Sheet: WiresSheet },
  { id: 'circuits', name: 'Circuits', Sheet: CircuitsSheet },
  {
    id: 'tape',
    name: 'Along the tape',
    Sheet: TapeSheet,
    when: ({ wire }) => wire.tape !== null,
  },
  { id: 'dimming', name: 'Less light', Sheet: DimmingSheet },
  { id: 'gate', name: 'Look over', Sheet: GateSheet },
];

/** Whether cable, plastic and people stay whole. */
export const WireStation = () => <WithBuild Sheet={WireSheet} />;

function WireSheet({ build, readouts }: AtHand) {
  const form = useBuildForm(build);
  const [sheet, setSheet] = useState('safe');
  const sheets = SHEETS.filter(({ when }) => when?.(readouts) ?? true);
  if (!form) return null;
  return (
    <div className="flex h-full flex-col bg-sheet max-md:h-auto">
      <Sheets
        label="Wiring"
        sheets={sheets.map(({ id, name }) => [id, name])}
        open={sheet}
        onOpen={setSheet}
        beside={
          <>
            <span className="flex-1" />
            <GateMark build={build} readouts={readouts} />
          </>
        }
      >
        {sheets.map(
          ({ id, Sheet }) => id === sheet && <Sheet key={id} build={build} readouts={readouts} />,
        )}
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
