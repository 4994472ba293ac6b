'use client';
import { useEffect, useState } from 'react';
import type { Session, SessionKind } from '@/core/meter/session';
import { lazyPanel } from '@/ui/lazyPanel';
import { ask } from '@/workers/pool';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { BeginSession } from './BeginSession';
import { CalibrateSheet } from './CalibrateSheet';
import { ElectricSheet } from './ElectricSheet';
import { LayerSheet } from './LayerSheet';
import { PointsSheet } from './PointsSheet';
import { SessionCard } from './SessionCard';
import { SessionSetup } from './SessionSetup';
import { SpectrumSheet } from './SpectrumSheet';
import { SweepSheet } from './SweepSheet';
import { WarmSheet } from './WarmSheet';
import { useMeter, type Meter } from './useMeter';

const FramesSheet = lazyPanel(() => import('./frames/FramesSheet'));

/** The workers' code is there before the first picture is put in: one question for each of two lanes. */
function wakeWorkers(): void {
  for (let lane = 0; lane < 2; lane++) void ask(async (api) => api.awake()).catch(() => {});
}

/** What lights and layers really do, reading by reading. */
export function MeterStation() {
  const sessions = useProduction(({ document }) => document.sessions);
  const meter = useMeter();
  useEffect(wakeWorkers, []);
  const [picked, setPicked] = useState<string | null>(null);
  const [setting, setSetting] = useState(false);
  const [learning, setLearning] = useState(false);
  const session = sessions.find(({ id }) => id === picked) ?? sessions.at(-1) ?? null;
  return (
    <div className="grid h-full grid-cols-[190px_minmax(0,1fr)] bg-sheet max-md:h-auto max-md:grid-cols-1">
      <aside
        aria-label="Metering"
        className="min-h-0 overflow-y-auto border-r border-line p-3 max-md:border-r-0"
      >
        <BeginSession
          meter={meter}
          onBegun={(id) => {
            setPicked(id);
            setLearning(false);
          }}
        />
        {sessions.length > 0 && (
          <button
            type="button"
            className="press mt-3 w-full"
            aria-pressed={learning}
            onClick={() => setLearning(!learning)}
          >
            Calibrate
          </button>
        )}
        <ul
          className="mt-3 grid gap-2 max-md:max-h-60 max-md:overflow-y-auto"
          aria-label="Sessions"
        >
          {sessions.toReversed().map((each) => (
            <SessionCard
              key={each.id}
              session={each}
              before={sessions[sessions.indexOf(each) - 1] ?? null}
              open={each === session && !learning}
              onOpen={() => {
                setPicked(each.id);
                setLearning(false);
              }}
            />
          ))}
        </ul>
      </aside>
      {learning ? (
        <CalibrateSheet />
      ) : session ? (
        <section
          key={session.id}
          aria-label={session.name}
          data-session={session.kind}
          className="flex min-h-0 flex-col gap-3 overflow-y-auto p-4"
        >
          <div className="flex items-start gap-3 max-md:flex-wrap">
            <h2 className="min-w-0 flex-1 text-xl max-md:w-full max-md:flex-none">
              {session.name}
            </h2>
            {session.closedAt === null && (
              <>
                <button
                  type="button"
                  className="press"
                  aria-expanded={setting}
                  onClick={() => setSetting(!setting)}
                >
                  How it is metered
                </button>
                <button type="button" className="press" onClick={() => void meter.close(session)}>
                  Close
                </button>
              </>
            )}
            <TakeOut session={session} meter={meter} />
          </div>
          {session.closedAt !== null && (
            <p className="text-[13.5px] text-ink-soft">
              Closed on {session.closedAt.slice(0, 10)}: nothing more is read or changed.
            </p>
          )}
          {setting && session.closedAt === null && <SessionSetup session={session} meter={meter} />}
          <div className="min-h-0 flex-1">
            <SheetOf session={session} meter={meter} />
          </div>
        </section>
      ) : (
        <Nothing />
      )}
    </div>
  );
}

const SHEETS: Record<SessionKind, React.ComponentType<{ session: Session; meter: Meter }>> = {
  points: PointsSheet,
  sweep: SweepSheet,
  layer: LayerSheet,
  frames: FramesSheet,
  electric: ElectricSheet,
  warm: WarmSheet,
  spectrum: SpectrumSheet,
};

function SheetOf(props: { session: Session; meter: Meter }) {
  const Sheet = SHEETS[props.session.kind];
  return <Sheet {...props} />;
}

const Nothing = () => (
  <section className="max-w-2xl p-6" data-session="none">
    <h2 className="text-2xl">Two bulbs of 800 lumens can differ three to one</h2>
    <p className="mt-2">
      Boxes say what leaves a bulb in all directions together; a meter says what comes out where you
      need it. Lay the bulb in the middle of a compass, go round it with a cheap lux meter, and it
      is known. A layer is read in turns, without and with it, so that a lamp that still warms up
      does not look like cloth.
    </p>
  </section>
);

function TakeOut({ session, meter }: { session: Session; meter: Meter }) {
  const { say } = useSession();
  return (
    <button
      type="button"
      className="press"
      onClick={() =>
        say(meter.takeOut(session) ?? `${session.name} is taken out. Undo brings it back.`)
      }
    >
      Take out
    </button>
  );
}
