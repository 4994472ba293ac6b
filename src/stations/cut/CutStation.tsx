'use client';
import { useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
import { WithBuild, type AtHand } from '../build/WithBuild';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';

const Layouts = lazyPanel(() => import('./Layouts'));
const SawTable = lazyPanel(() => import('./SawTable'));
const MoneyTable = lazyPanel(() => import('./MoneyTable'));
const Files = lazyPanel(() => import('./Files'));
const Circles = lazyPanel(() => import('./Circles'));
const Together = lazyPanel(() => import('./Together'));

const SHEETS = [
  ['layouts', 'Layouts'],
  ['saw', 'At the saw'],
  ['money', 'Shopping'],
  ['circles', 'Circles'],
  ['together', 'Together'],
  ['files', 'Files'],
] as const;

/** Everything needed at the saw and at the till. */
export const CutStation = () => <WithBuild Sheet={CutSheet} />;

function CutSheet({ build, readouts }: AtHand) {
  const document = useProduction((state) => state.document);
  const [sheet, setSheet] = useState<(typeof SHEETS)[number][0]>('layouts');
  // The quick plan of the readouts stands until the thorough one has been found.
  const { answer, busy, problem } = useEngine(
    (engine) => engine.cutPlan(document, build.id),
    [document.shelf, document.shots, document.builds, build.id],
  );
  const cuts = (!busy && answer?.plan) || readouts.cuts;
  return (
    <div className="flex h-full flex-col bg-sheet">
      <Sheets
        label="Cut and buy"
        sheets={SHEETS}
        open={sheet}
        onOpen={setSheet}
        data-plan={busy ? 'quick' : 'thorough'}
        beside={
          <p role="status" className="flex-1 text-right text-[13px] text-ink-soft">
            {busy
              ? 'Looking for a better cutting plan…'
              : (problem ?? 'Every order and rule tried')}
          </p>
        }
      >
        {sheet === 'layouts' && (
          <Layouts cuts={cuts} copies={build.copies} perSheet={answer?.lightsPerSheet ?? {}} />
        )}
        {sheet === 'saw' && <SawTable cuts={cuts} />}
        {sheet === 'money' && (
          <MoneyTable purchase={readouts.purchase} copies={build.copies} unchosen={cuts.unchosen} />
        )}
        {sheet === 'circles' && <Circles pieces={readouts.pieces} />}
        {sheet === 'together' && <Together />}
        {sheet === 'files' && <Files build={build} pieces={readouts.pieces} />}
      </Sheets>
    </div>
  );
}
