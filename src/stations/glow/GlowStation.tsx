'use client';
import { useState } from 'react';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { JUDGED } from '@/core/location/use';
import { lazyPanel } from '@/ui/lazyPanel';
import { Sheets } from '@/ui/Sheets';
import { WithBuild, type AtHand, type BuildSheet } from '../build/WithBuild';
import { Tray } from '../build/Tray';
import { useBuildForm } from '../build/useBuildForm';
import { useProduction } from '../store/context';
import { useWorkplace } from '../shell/useWorkplace';
import { GlowFigures } from './GlowFigures';
import { Variants } from './Variants';

const FaceSheet = lazyPanel(() => import('./FaceSheet'));
const MouthSheet = lazyPanel(() => import('./MouthSheet'));
const BackdropSheet = lazyPanel(() => import('./BackdropSheet'));
const ReachSheet = lazyPanel(() => import('./ReachSheet'));
const LayersSheet = lazyPanel(() => import('./LayersSheet'));

const SHEETS: readonly BuildSheet[] = [
  { id: 'face', name: 'On a face', Sheet: FaceSheet },
  { id: 'mouth', name: 'Its mouth', Sheet: MouthSheet },
  { id: 'backdrop', name: 'Over the backdrop', Sheet: BackdropSheet },
  { id: 'reach', name: 'Reach and spread', Sheet: ReachSheet },
  { id: 'layers', name: 'Layers', Sheet: LayersSheet },
];

/** What light comes out, seen and in figures. */
export const GlowStation = () => <WithBuild Sheet={GlowSheet} />;

function GlowSheet({ build, readouts }: AtHand) {
  const form = useBuildForm(build);
  const use = useProduction(
    (state) => state.document.shots.find(({ id }) => id === build.shotId)?.use ?? 'face',
  );
  // It opens on what the use is judged by.
  const [sheet, setSheet] = useState<string>(JUDGED[use].view);
  if (!form) return null;
  return (
    <div className="flex h-full flex-col bg-sheet max-md:h-auto">
      <Sheets
        label="Sheets"
        sheets={SHEETS.map(({ id, name }) => [id, name])}
        open={sheet}
        onOpen={setSheet}
        beside={<Known readouts={readouts} />}
        className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_236px] max-lg:grid-cols-1"
      >
        {readouts.glow ? (
          <>
            <div className="flex min-h-0 flex-col">
              <div
                className="relative min-h-0 flex-1 overflow-y-auto p-3"
                tabIndex={0}
                role="group"
                aria-label="Picture"
              >
                {SHEETS.map(
                  ({ id, Sheet }) =>
                    id === sheet && <Sheet key={id} build={build} readouts={readouts} />,
                )}
              </div>
              <Variants build={build} />
            </div>
            <div
              className="min-h-0 overflow-y-auto border-l border-line max-lg:border-t max-lg:border-l-0"
              tabIndex={0}
              role="group"
              aria-label="Figures of the light"
            >
              <GlowFigures glow={readouts.glow} build={build} />
            </div>
          </>
        ) : (
          <p className="p-6">
            This light gives none yet: choose its lamps on the Build station, and what comes out is
            shown here.
          </p>
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

/** How well the light is known by now. */
function Known({ readouts }: { readouts: WorkedOut }) {
  const { transport } = useWorkplace();
  const { extraction, room } = readouts;
  const words = !extraction
    ? 'Summed from every lamp'
    : !room
      ? 'Worked out in two steps'
      : extraction.simulated === null
        ? 'Instant estimate'
        : transport.done < 1
          ? `Simulated; refining, ${Math.round(transport.done * 100)} %`
          : 'Simulated to the end';
  return (
    <p
      role="status"
      data-known={room && extraction?.simulated === null ? 'estimate' : 'simulated'}
      data-refined={transport.done >= 1}
      className="flex-1 text-right text-[13px] text-ink-soft"
    >
      {words}
    </p>
  );
}
