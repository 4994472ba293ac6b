'use client';
import { useState } from 'react';
import type { Making } from '@/core/document/making';
import type { MakingNow } from '@/core/evaluate/makingState';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
import { useKept } from '@/ui/useKept';
import { Tray } from '../build/Tray';
import { useBuildForm } from '../build/useBuildForm';
import { WithBuild, type AtHand } from '../build/WithBuild';
import { useProduction } from '../store/context';
import { Begin } from './Begin';
import { CopyChoice } from './CopyChoice';
import { useWaitTold } from './useWaitTold';
import { useBench, useMakingNow, type Bench } from './useMaking';

const NowSheet = lazyPanel(() => import('./NowSheet'));
const StepsSheet = lazyPanel(() => import('./StepsSheet'));
const WiresSheet = lazyPanel(() => import('../wire/WiresSheet'));
const FaultSheet = lazyPanel(() => import('./FaultSheet'));
const LogSheet = lazyPanel(() => import('./LogSheet'));

/** A copy that is being made, and where it stands. */
export interface InMaking extends AtHand {
  making: Making;
  now: MakingNow;
  bench: Bench;
}

const SHEETS = [
  ['now', 'Now'],
  ['steps', 'All steps'],
  ['wires', 'Wires'],
  ['fault', 'Find the fault'],
  ['log', 'Log'],
] as const;
type SheetId = (typeof SHEETS)[number][0];
const IDS = SHEETS.map(([id]) => id);

/** The third hand at the bench. */
export const MakeStation = () => <WithBuild Sheet={MakeSheet} />;

function MakeSheet({ build, readouts }: AtHand) {
  const form = useBuildForm(build);
  const makings = useProduction((state) => state.document.makings);
  const [sheet, setSheet] = useKept<SheetId>('make', IDS, 'now');
  const [copy, setCopy] = useState(1);
  const own = makings.filter(({ buildId }) => buildId === build.id);
  const making = own.find((each) => each.copy === Math.min(copy, build.copies)) ?? null;
  const now = useMakingNow(build, readouts, making);
  const bench = useBench(build, readouts);
  useWaitTold(now);
  if (!form) return null;
  const at = making && now && { build, readouts, making, now, bench };
  return (
    <div className="flex h-full flex-col bg-sheet max-md:h-auto">
      <Sheets
        label="Making"
        sheets={SHEETS}
        open={sheet}
        onOpen={setSheet}
        beside={
          <>
            <span className="flex-1" />
            {build.copies > 1 && (
              <CopyChoice copies={build.copies} copy={copy} making={own} onChoose={setCopy} />
            )}
          </>
        }
      >
        {sheet === 'wires' ? (
          <WiresSheet build={build} readouts={readouts} />
        ) : !at ? (
          <Begin readouts={readouts} copy={copy} copies={build.copies} onBegin={bench.begin} />
        ) : (
          <>
            {sheet === 'now' && <NowSheet key={making.id} {...at} />}
            {sheet === 'steps' && <StepsSheet {...at} />}
            {sheet === 'fault' && <FaultSheet key={making.id} {...at} />}
            {sheet === 'log' && <LogSheet {...at} />}
          </>
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
