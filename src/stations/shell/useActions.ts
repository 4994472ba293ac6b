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
  /** how the key is written in lists */
  keyName?: string;
  run: () => void;
}

interface Panels {
  openCommands: () => void;
  openKeys: () => void;
  openFindings: () => void;
  openProduction: () => void;
  say: (words: string) => void;
}

export function useActions(panels: Panels): Action[] {
  const store = useProductionStore();
  const router = useRouter();
  const device = useDevice();
  const { station, build, goTo } = useWorkplace();

  return useMemo(() => {
    const state = store.getState;
    const turnTo = (step: number) => {
      const { builds } = state().document;
      const at = builds.findIndex(({ id }) => id === build?.id);
      const next = builds[(at + step + builds.length) % builds.length];
      if (next) goTo(station, { build: next.id });
    };
    const tell = (moved: string | null, nothing: string) => panels.say(moved ?? nothing);
    const otherTheme = device.theme === 'bench' ? 'set' : 'bench';
    const otherUnits = device.units === 'metric' ? 'imperial' : 'metric';
    const builds: Action[] = build
      ? [
          {
            id: 'copy-build',
            label: `Duplicate “${build.name}”`,
            run: () => {
              const copy = copyOfBuild(state().document, build);
              state().change(`duplicate ${build.name}`, addRecord({ kind: 'build' }, copy));
              goTo('build', { build: copy.id });
            },
          },
          {
            id: 'delete-build',
            label: `Delete “${build.name}”`,
            run: () => {
              state().change(`delete ${build.name}`, removeBuild(build.id));
              panels.say(`Deleted ${build.name}. Undo brings it back.`);
            },
          },
        ]
      : [];
    return [
      ...STATIONS.map(({ id, name, key }) => ({
        id: `go-${id}`,
        label: `Go to ${name}`,
        keys: key,
        keyName: key,
        run: () => goTo(id),
      })),
      { id: 'previous', label: 'Previous build', keys: '[', keyName: '[', run: () => turnTo(-1) },
      { id: 'next', label: 'Next build', keys: ']', keyName: ']', run: () => turnTo(1) },
      {
        id: 'compare',
        label: 'Compare with fixtures, or back to the build',
        keys: '\\',
        keyName: '\\',
        run: () => goTo(station === 'verdict' ? 'build' : 'verdict'),
      },
      {
        id: 'undo',
        label: 'Undo',
        keys: '$mod+z',
        keyName: 'Ctrl Z',
        run: () => tell(state().undo(), 'Nothing to undo'),
      },
      {
        id: 'redo',
        label: 'Redo',
        keys: '$mod+Shift+z',
        keyName: 'Ctrl Shift Z',
        run: () => tell(state().redo(), 'Nothing to redo'),
      },
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
      { id: 'keys', label: 'Key list', keys: 'Shift+?', keyName: '?', run: panels.openKeys },
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
      ...builds,
      {
        id: 'export',
        label: 'Export this production as a file',
        run: () => {
          const { document } = state();
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
          const { document } = state();
          fetchFile(`/api/productions/${document.id}/file?as=zip`);
        },
      },
      { id: 'print', label: 'Print this station', run: () => window.print() },
      { id: 'productions', label: 'All productions', run: () => router.push('/') },
    ];
  }, [store, router, device, station, build, goTo, panels]);
}
