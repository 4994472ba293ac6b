'use client';
import { useEffect, useMemo, useState } from 'react';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
import { useKept } from '@/ui/useKept';
import { Tray } from '../build/Tray';
import { useBuildForm } from '../build/useBuildForm';
import { WithBuild, type AtHand } from '../build/WithBuild';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { Begin } from './Begin';
import { CopyChoice } from './CopyChoice';
import { useWaitTold } from './useWaitTold';
import { useBench, useCopies, type Bench, type Copy } from './useMaking';

const NowSheet = lazyPanel(() => import('./NowSheet'));
const StepsSheet = lazyPanel(() => import('./StepsSheet'));
const AssemblySheet = lazyPanel(() => import('./AssemblySheet'));
const WiresSheet = lazyPanel(() => import('../wire/WiresSheet'));
const FaultSheet = lazyPanel(() => import('./FaultSheet'));
const LogSheet = lazyPanel(() => import('./LogSheet'));

/** A copy that is being made and where it stands, with its like beside it. */
export interface InMaking extends AtHand, Copy {
  copies: readonly Copy[];
  bench: Bench;
}

const SHEETS = [
  ['now', 'Now'],
  ['steps', 'All steps'],
  ['assembly', 'How it goes together'],
  ['wires', 'Wires'],
  ['fault', 'Find the fault'],
  ['log', 'Log'],
] as const;
type SheetId = (typeof SHEETS)[number][0];
const IDS = SHEETS.map(([id]) => id);

/** The third hand at the bench. */
export const MakeStation = () => <WithBuild Sheet={MakeSheet} />;

/** What one opened the station for comes first. */
const FIRST_THINGS_MS = 2500;

/** Its sheet is not opened by everyone, and wants a while to be made ready: that is done before it is opened. */
function useAssembled({ build, readouts }: AtHand, open: boolean) {
  const document = useProduction((state) => state.document);
  const [soon, setSoon] = useState(false);
  useEffect(() => {
    const wait = setTimeout(() => {
      AssemblySheet.fetch();
      setSoon(true);
    }, FIRST_THINGS_MS);
    return () => clearTimeout(wait);
  }, []);
  return useEngine(
    (engine) => engine.assembled(document, build.id),
    // Whatever a piece follows from, parts, sizes or the shot it is filled for, makes it another piece.
    [build.id, readouts.pieces],
    open || soon,
  );
}

function MakeSheet({ build, readouts }: AtHand) {
  const form = useBuildForm(build);
  const makings = useProduction((state) => state.document.makings);
  const [sheet, setSheet] = useKept<SheetId>('make', IDS, 'now');
  const [copy, setCopy] = useState(1);
  const own = useMemo(
    () => makings.filter((each) => each.buildId === build.id && each.copy <= build.copies),
    [makings, build.id, build.copies],
  );
  const copies = useCopies(build, readouts, own);
  const shown = copies.find(({ making }) => making.copy === Math.min(copy, build.copies));
  const bench = useBench(build, readouts);
  useWaitTold(copies);
  const assembled = useAssembled({ build, readouts }, sheet === 'assembly');
  if (!form) return null;
  const at = shown && { build, readouts, ...shown, copies, bench };
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
        {sheet === 'assembly' ? (
          <AssemblySheet
            key={`${build.id} ${shown?.making.copy}`}
            build={build}
            readouts={readouts}
            assembled={assembled}
            making={at}
          />
        ) : sheet === 'wires' ? (
          <WiresSheet build={build} readouts={readouts} />
        ) : !at ? (
          <Begin readouts={readouts} copy={copy} copies={build.copies} onBegin={bench.begin} />
        ) : (
          <>
            {sheet === 'now' && <NowSheet key={at.making.id} {...at} />}
            {sheet === 'steps' && <StepsSheet {...at} />}
            {sheet === 'fault' && <FaultSheet key={at.making.id} {...at} />}
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
