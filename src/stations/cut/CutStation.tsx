'use client';
import { useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { SheetSwitch } from '@/ui/SheetSwitch';
import { WithBuild, type AtHand } from '../build/WithBuild';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';

const Layouts = lazyPanel(() => import('./Layouts'));
const SawTable = lazyPanel(() => import('./SawTable'));
const MoneyTable = lazyPanel(() => import('./MoneyTable'));
const Files = lazyPanel(() => import('./Files'));

const SHEETS = [
  ['layouts', 'Layouts'],
  ['saw', 'At the saw'],
  ['money', 'Shopping'],
  ['files', 'Files'],
] as const;

/** Everything needed at the saw and at the till. */
export const CutStation = () => <WithBuild Sheet={CutSheet} />;

function CutSheet({ build, readouts }: AtHand) {
  const document = useProduction((state) => state.document);
  const [sheet, setSheet] = useState<(typeof SHEETS)[number][0]>('layouts');
  // The quick plan of the readouts stands until the thorough one has been found.
  const { answer, busy } = useEngine(
    (engine) => engine.cutPlan(document, build.id),
    [document.shelf, document.shots, document.builds, build.id],
  );
  const cuts = (!busy && answer?.plan) || readouts.cuts;
  return (
    <div className="flex h-full flex-col bg-sheet">
      <div className="flex flex-wrap items-center gap-x-4 border-b border-line px-4 py-1">
        <SheetSwitch label="Sheets" sheets={SHEETS} open={sheet} onOpen={setSheet} />
        <p role="status" className="flex-1 text-right text-[13px] text-ink-soft">
          {busy ? 'Looking for a better cutting plan…' : 'Every order and rule tried'}
        </p>
      </div>
      <div
        className="relative min-h-0 flex-1 overflow-y-auto p-4"
        tabIndex={0}
        role="group"
        aria-label="Cut and buy"
        data-plan={busy ? 'quick' : 'thorough'}
      >
        {sheet === 'layouts' && (
          <Layouts cuts={cuts} copies={build.copies} perSheet={answer?.lightsPerSheet ?? {}} />
        )}
        {sheet === 'saw' && <SawTable cuts={cuts} />}
        {sheet === 'money' && <MoneyTable purchase={readouts.purchase} copies={build.copies} />}
        {sheet === 'files' && <Files build={build} />}
      </div>
    </div>
  );
}
