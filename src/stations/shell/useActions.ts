'use client';
import { useMemo } from 'react';
import { useRouter } from 'next/navigation';
import { addRecord } from '@/core/document/edit';
import { removeBuild } from '@/core/document/records';
import { useDevice } from '@/ui/device';
import { useProductionStore } from '../store/context';
import { copyOfBuild, download, exportName, fetchFile } from './actions';
import { STATIONS } from './stations';
import { useWorkplace } from './useWorkplace';

/** One thing a user can do, the same in the command box, on the keyboard and on buttons. */
export interface Action {
  id: string;
  label: string;
  /** tinykeys notation */
  keys?: string;
  /** a second key, for keyboards that have it */
  alsoKeys?: string;
  /** how the key is written in lists */
  keyName?: string;
  run: () => void;
}

interface Panels {
  openCommands: () => void;
  openKeys: () => void;
  openFindings: () => void;
  openProduction: () => void;
  openGlossary: () => void;
  openLog: () => void;
  say: (words: string) => void;
}

type Store = ReturnType<typeof useProductionStore>;
type Workplace = Pick<ReturnType<typeof useWorkplace>, 'station' | 'build' | 'goTo'>;

/** Going from station to station, from build to build. */
function goingActions({ getState }: Store, { station, build, goTo }: Workplace): Action[] {
  const turnTo = (step: number) => {
    const { builds } = getState().document;
    const at = builds.findIndex(({ id }) => id === build?.id);
    const next = builds[(at + step + builds.length) % builds.length];
    if (next) goTo(station, { build: next.id });
  };
  return [
    ...STATIONS.map(({ id, name, key }) => ({
      id: `go-${id}`,
      label: `Go to ${name}`,
      keys: key,
      keyName: key,
      run: () => goTo(id),
    })),
    {
      id: 'ask',
      label: 'What should I build?',
      keys: 'q',
      keyName: 'Q',
      run: () => goTo('ask'),
    },
    {
      id: 'previous',
      label: 'Previous build',
      keys: ',',
      alsoKeys: '[',
      keyName: ', or [',
      run: () => turnTo(-1),
    },
    {
      id: 'next',
      label: 'Next build',
      keys: '.',
      alsoKeys: ']',
      keyName: '. or ]',
      run: () => turnTo(1),
    },
    {
      id: 'compare',
      label: 'Compare with fixtures, or back to the build',
      keys: 'v',
      alsoKeys: '\\',
      keyName: 'V or \\',
      run: () => goTo(station === 'verdict' ? 'build' : 'verdict'),
    },
  ];
}

/** What is done to the build at hand. */
function buildActions(
  { getState }: Store,
  { build, goTo }: Workplace,
  say: Panels['say'],
): Action[] {
  if (!build) return [];
  return [
    {
      id: 'copy-build',
      label: `Duplicate “${build.name}”`,
      run: () => {
        const copy = copyOfBuild(getState().document, build);
        getState().change(`duplicate ${build.name}`, addRecord({ kind: 'build' }, copy));
        goTo('build', { build: copy.id });
      },
    },
    {
      id: 'delete-build',
      label: `Delete “${build.name}”`,
      run: () => {
        getState().change(`delete ${build.name}`, removeBuild(build.id));
        say(`Deleted ${build.name}. Undo brings it back.`);
      },
    },
  ];
}

const historyActions = ({ getState }: Store, say: Panels['say']): Action[] => {
  // A key pressed before the lists of the last visit are read means them all the same.
  const remembered = () => getState().recall();
  return [
    {
      id: 'undo',
      label: 'Undo',
      keys: '$mod+z',
      keyName: 'Ctrl Z',
      run: () => void remembered().then(() => say(getState().undo() ?? 'Nothing to undo')),
    },
    {
      id: 'redo',
      label: 'Redo',
      keys: '$mod+Shift+z',
      keyName: 'Ctrl Shift Z',
      run: () => void remembered().then(() => say(getState().redo() ?? 'Nothing to redo')),
    },
  ];
};

const panelActions = (panels: Panels): Action[] => [
  {
    id: 'commands',
    label: 'Command box',
    keys: '$mod+k',
    keyName: 'Ctrl K',
    run: panels.openCommands,
  },
  { id: 'findings', label: 'Show findings', keys: 'f', keyName: 'F', run: panels.openFindings },
  {
    id: 'production',
    label: 'Production and circuits',
    run: panels.openProduction,
  },
  { id: 'log', label: 'Who did what', run: panels.openLog },
  {
    id: 'glossary',
    label: 'What the words mean',
    keys: 'g',
    keyName: 'G',
    run: panels.openGlossary,
  },
  { id: 'keys', label: 'Key list', keys: 'Shift+?', keyName: '?', run: panels.openKeys },
];

function deviceActions(device: ReturnType<typeof useDevice>): Action[] {
  const otherTheme = device.theme === 'bench' ? 'set' : 'bench';
  const otherUnits = device.units === 'metric' ? 'imperial' : 'metric';
  return [
    {
      id: 'theme',
      label: `Light: change to ${otherTheme === 'set' ? 'Set (dim)' : 'Bench (paper)'}`,
      run: () => device.change({ theme: otherTheme }),
    },
    {
      id: 'units',
      label: `Units: change to ${otherUnits}`,
      run: () => device.change({ units: otherUnits }),
    },
  ];
}

const fileActions = ({ getState }: Store): Action[] => [
  {
    id: 'export',
    label: 'Export this production as a file',
    run: () => {
      const { document } = getState();
      download(
        exportName(document, 'production', 'json'),
        JSON.stringify(document, null, 2),
        'application/json',
      );
    },
  },
  {
    id: 'export-zip',
    label: 'Export this production with its photographs (zip)',
    run: () => {
      const { document } = getState();
      fetchFile(`/api/productions/${document.id}/file?as=zip`);
    },
  },
];

export function useActions(panels: Panels): Action[] {
  const store = useProductionStore();
  const router = useRouter();
  const device = useDevice();
  const { station, build, goTo } = useWorkplace();
  return useMemo(
    () => [
      ...goingActions(store, { station, build, goTo }),
      ...historyActions(store, panels.say),
      ...panelActions(panels),
      ...deviceActions(device),
      ...buildActions(store, { station, build, goTo }, panels.say),
      ...fileActions(store),
      { id: 'print', label: 'Print this station', run: () => window.print() },
      { id: 'productions', label: 'All productions', run: () => router.push('/') },
    ],
    [store, router, device, station, build, goTo, panels],
  );
}
