'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { ProductionProvider, useProduction } from '../store/context';
import type { Initial } from '../store/production';
import { Header } from './Header';
import { Ladder } from './Ladder';
import { Rail } from './Rail';
import { stationName } from './stations';
import { TroubleStrip } from './TroubleStrip';
import { useActions } from './useActions';
import { useFocusKept } from './useFocusKept';
import { useKeys } from './useKeys';
import { createPointed, type PointedStore } from './usePointed';
import { useWorkplace, WorkplaceProvider } from './useWorkplace';

const ProductionDialog = lazyPanel(() => import('./ProductionDialog'));

const KeyList = lazyPanel(() => import('./KeyList'));

const FindingsDialog = lazyPanel(() => import('./FindingsDialog'));

const GlossaryDialog = lazyPanel(() => import('./GlossaryDialog'));

const LogDialog = lazyPanel(() => import('./LogDialog'));

const CommandBox = lazyPanel(() => import('./CommandBox'));

const SessionContext = createContext<{
  pointed: PointedStore;
  say: (words: string) => void;
} | null>(null);

/** Session state that is nobody's document: what is pointed at, and the spoken line. */
export function useSession() {
  const session = useContext(SessionContext);
  if (!session) throw new Error('useSession needs a Workbench above it');
  return session;
}

interface WorkbenchProps {
  initial: Initial;
  follows: boolean;
  children: React.ReactNode;
}

/** Rail, sheet and ladder round one production. */
export function Workbench({ initial, follows, children }: WorkbenchProps) {
  return (
    <ProductionProvider initial={initial} follows={follows}>
      <WorkplaceProvider>
        <Frame>{children}</Frame>
      </WorkplaceProvider>
    </ProductionProvider>
  );
}

/** Fetched once the page stands, so that a panel opens as fast as its key is pressed. */
const fetchPanels = () => {
  for (const panel of [CommandBox, FindingsDialog, KeyList, ProductionDialog, GlossaryDialog])
    panel.fetch();
};

type Panel = 'commands' | 'keys' | 'findings' | 'production' | 'glossary' | 'log' | null;

function Frame({ children }: { children: React.ReactNode }) {
  const [panel, setPanel] = useState<Panel>(null);
  const [spoken, say] = useState('');
  const [pointed] = useState(createPointed);
  const panels = useMemo(
    () => ({
      openCommands: () => setPanel('commands'),
      openKeys: () => setPanel('keys'),
      openFindings: () => setPanel('findings'),
      openProduction: () => setPanel('production'),
      openGlossary: () => setPanel('glossary'),
      openLog: () => setPanel('log'),
      say,
    }),
    [],
  );
  const close = useCallback(() => setPanel(null), []);
  const sheet = useRef<HTMLElement>(null);
  const { station, asking, build } = useWorkplace();
  // Several lights stand there, or none is chosen yet; the ladder is about one.
  const whole = station === 'set' || asking;
  const title = useProduction((state) => state.document.name);
  useFocusKept(sheet, station, build?.id, panel);
  const actions = useActions(panels);
  useKeys(actions);
  useEffect(fetchPanels, []);
  const session = useMemo(() => ({ pointed, say }), [pointed]);
  return (
    <SessionContext value={session}>
      <div className="grid h-dvh grid-cols-[116px_minmax(0,1fr)_300px] grid-rows-[auto_minmax(0,1fr)] max-lg:h-auto max-lg:min-h-dvh max-lg:grid-cols-[104px_minmax(0,1fr)] max-md:flex max-md:flex-col">
        <div className="row-span-2 max-lg:row-span-3 max-md:sticky max-md:bottom-0 max-md:z-20 max-md:order-last">
          <Rail onFindings={panels.openFindings} />
        </div>
        <div className="col-span-2 max-lg:col-span-1">
          <Header actions={actions} />
        </div>
        <main
          ref={sheet}
          tabIndex={-1}
          className={`relative min-h-0 min-w-0 overflow-y-auto outline-none ${whole ? 'col-span-2 max-lg:col-span-1' : ''}`}
        >
          <p className="hidden px-4 pt-2 font-display text-xl print:block">
            {title}, {stationName(station)}
            {build && !asking && `: ${build.name}`}
          </p>
          {children}
        </main>
        {!whole && (
          <aside className="min-h-0 border-l border-line max-lg:col-start-2 max-lg:border-t max-lg:border-l-0 max-md:sticky max-md:top-0 max-md:z-20 max-md:order-first max-md:border-b">
            <Ladder />
          </aside>
        )}
      </div>
      <TroubleStrip />
      <p role="status" aria-live="polite" className="sr-only">
        {spoken}
      </p>
      {panel === 'commands' && <CommandBox actions={actions} onClose={close} />}
      {panel === 'production' && <ProductionDialog onClose={close} />}
      {panel === 'log' && <LogDialog onClose={close} />}
      {panel === 'glossary' && <GlossaryDialog onClose={close} />}
      {panel === 'keys' && <KeyList actions={actions} onClose={close} />}
      {panel === 'findings' && (
        <FindingsDialog onClose={close} onPoint={pointed.getState().point} />
      )}
    </SessionContext>
  );
}
