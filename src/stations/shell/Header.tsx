'use client';
import { BookOpen, CopyPlus, Lamp, Moon, Redo2, Ruler, Search, Trash2, Undo2 } from 'lucide-react';
import { RIGHT_WORDS } from '@/core/document/rights';
import { useDevice } from '@/ui/device';
import { useProduction } from '../store/context';
import { SaveMark } from './SaveMark';
import { stationName } from './stations';
import type { Action } from './useActions';
import { useWorkplace } from './useWorkplace';

export function Header({ actions }: { actions: readonly Action[] }) {
  const { station, build, goTo } = useWorkplace();
  const name = useProduction((state) => state.document.name);
  const builds = useProduction((state) => state.document.builds);
  const history = useProduction((state) => state.history);
  const device = useDevice();
  const who = useProduction((state) => state.device);
  const run = (id: string) => actions.find((action) => action.id === id)?.run();
  const lastDone = history.past.at(-1)?.batch.label;
  const lastUndone = history.future.at(-1)?.batch.label.replace(/^undo /, '');
  return (
    <header className="no-print flex min-h-[48px] flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-paper px-4 py-1.5">
      <h1 className="text-lg max-md:w-full">{stationName(station)} </h1>
      <button
        type="button"
        className="max-w-52 truncate text-[15px] text-ink-soft underline decoration-line-strong underline-offset-4"
        title="Production and circuits"
        onClick={() => run('production')}
      >
        {name}
      </button>
      {builds.length > 0 && (
        <select
          aria-label="Build"
          className="field !w-auto max-w-52"
          value={build?.id ?? ''}
          onChange={(event) => goTo(station, { build: event.target.value })}
        >
          {build === null && <option value="">no build for this shot</option>}
          {builds.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      )}
      {build && (
        <>
          <IconPress
            label={`Duplicate ${build.name}`}
            onPress={() => run('copy-build')}
            Icon={CopyPlus}
          />
          <IconPress
            label={`Delete ${build.name}`}
            onPress={() => run('delete-build')}
            Icon={Trash2}
          />
        </>
      )}
      <span className="flex-1" />
      {who && (
        <span
          data-right={who.right}
          className="text-[13px] text-ink-soft"
          title={`This device may ${RIGHT_WORDS[who.right]}`}
        >
          {who.name}
          {who.right !== 'edit' && <> · {who.right === 'read' ? 'reads' : 'ticks'}</>}
        </span>
      )}
      <SaveMark />
      <IconPress
        label={lastDone ? `Undo: ${lastDone}` : 'Undo'}
        disabled={!lastDone}
        onPress={() => run('undo')}
        Icon={Undo2}
      />
      <IconPress
        label={lastUndone ? `Redo: ${lastUndone}` : 'Redo'}
        disabled={!lastUndone}
        onPress={() => run('redo')}
        Icon={Redo2}
      />
      <IconPress
        label={`Units: ${device.units}. Change`}
        onPress={() => run('units')}
        Icon={Ruler}
        words={device.units === 'metric' ? 'm' : 'ft'}
      />
      <IconPress
        label={
          device.theme === 'bench' ? 'Light: Bench. Change to Set' : 'Light: Set. Change to Bench'
        }
        onPress={() => run('theme')}
        Icon={device.theme === 'bench' ? Moon : Lamp}
      />
      <IconPress
        label="What the words mean"
        onPress={() => run('glossary')}
        Icon={BookOpen}
        words="G"
      />
      <IconPress label="Command box" onPress={() => run('commands')} Icon={Search} words="Ctrl K" />
    </header>
  );
}

interface IconPressProps {
  label: string;
  Icon: typeof Undo2;
  words?: string;
  disabled?: boolean;
  onPress: () => void;
}

function IconPress({ label, Icon, words, disabled, onPress }: IconPressProps) {
  return (
    <button
      type="button"
      className="press flex items-center gap-1.5 !px-2"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onPress}
    >
      <Icon size={16} aria-hidden />
      {words && <span className="text-[13px]">{words}</span>}
    </button>
  );
}
