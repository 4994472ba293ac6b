'use client';
import { Tabs } from 'radix-ui';
import type { Build } from '@/core/document/production';
import type { Readouts } from '@/core/evaluate/evaluate';
import { useWorkplace } from '../shell/useWorkplace';
import { BuildDrawing } from './BuildDrawing';
import { BuildHead } from './BuildHead';
import { MarksTable } from './MarksTable';
import { MoneyTable } from './MoneyTable';
import { NoBuild } from './NoBuild';
import { StepsList } from './StepsList';
import { Tray } from './Tray';
import { useBuildForm } from './useBuildForm';

const SHEETS = [
  ['drawing', 'Drawing'],
  ['marks', 'Marks and pieces'],
  ['money', 'Shopping'],
  ['steps', 'Steps'],
] as const;

export function BuildStation() {
  const { build, readouts } = useWorkplace();
  if (!build || !readouts) return <NoBuild />;
  return <BuildSheet build={build} readouts={readouts} />;
}

function BuildSheet({ build, readouts }: { build: Build; readouts: Readouts }) {
  const form = useBuildForm(build);
  if (!form || !readouts.drawing)
    return (
      <div className="p-6">
        <h2 className="text-xl">{build.name}</h2>
        <p className="mt-2">{readouts.findings[0]?.message}</p>
      </div>
    );
  return (
    <Tabs.Root defaultValue="drawing" className="flex h-full flex-col bg-sheet">
      <div className="flex flex-wrap items-center gap-x-4 border-b border-line px-4 py-1">
        <Tabs.List aria-label="Sheets" className="flex">
          {SHEETS.map(([id, name]) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="border-b-[3px] border-transparent px-3 py-1 text-ink-soft data-[state=active]:border-brass data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <span className="flex-1" />
        <BuildHead build={build} />
      </div>
      <Tabs.Content value="drawing" className="min-h-0 flex-1 p-2">
        <BuildDrawing drawing={readouts.drawing} form={form} />
      </Tabs.Content>
      <Tabs.Content value="marks" className="min-h-0 flex-1 overflow-y-auto p-4">
        <MarksTable readouts={readouts} />
      </Tabs.Content>
      <Tabs.Content value="money" className="min-h-0 flex-1 overflow-y-auto p-4">
        <MoneyTable purchase={readouts.purchase} copies={build.copies} />
      </Tabs.Content>
      <Tabs.Content value="steps" className="min-h-0 flex-1 overflow-y-auto p-4">
        <StepsList readouts={readouts} />
      </Tabs.Content>
      <Tray form={form} findings={readouts.findings} />
    </Tabs.Root>
  );
}
