'use client';
import { Slider } from 'radix-ui';
import { colourOf } from './colourOf';
import type { Change } from '@/core/document/edit';
import type { Lit } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import type { LightThing, WindowThing } from '@/core/set/things';
import type { SetEdits } from './useSetEdits';

interface FadersProps {
  setup: Setup;
  lit: readonly Lit[];
  edits: SetEdits;
  aloneId: string | null;
  onAlone: (id: string | null) => void;
  pickedId: string | null;
  onPick: (id: string) => void;
}

/** A row for each light: on or off, how far up, how warm, and by itself. */
export function Faders(props: FadersProps) {
  const rows = props.setup.things.filter(
    (thing): thing is LightThing | WindowThing => thing.kind === 'light' || thing.kind === 'window',
  );
  if (rows.length === 0) return null;
  return (
    <ul className="grid gap-0.5" aria-label="Faders">
      {rows.map((thing) => (
        <Fader key={thing.id} thing={thing} {...props} />
      ))}
    </ul>
  );
}

function Fader({
  thing,
  lit,
  edits,
  aloneId,
  onAlone,
  pickedId,
  onPick,
}: FadersProps & { thing: LightThing | WindowThing }) {
  const found = lit.find(({ light }) => light.id === thing.id);
  const level = thing.kind === 'light' ? thing.level : thing.on ? 1 : 0;
  const lead = (value: number): Change =>
    edits.changed(thing.id, (draft) => {
      if (draft.kind === 'light') draft.level = value;
    });
  return (
    <li
      data-fader={thing.id}
      className={`grid grid-cols-[1.6rem_minmax(0,1fr)_minmax(70px,1fr)_3.2rem_4.2rem_3.6rem] items-center gap-2 max-sm:grid-cols-[1.6rem_minmax(0,1fr)_3.2rem_4.2rem_3.6rem] max-sm:gap-y-0 rounded-sm px-1 ${pickedId === thing.id ? 'bg-brass-wash' : ''}`}
    >
      <input
        type="checkbox"
        className="size-4 accent-[var(--brass)]"
        aria-label={`${thing.name} is lit`}
        checked={thing.on}
        onChange={() =>
          edits.thing(
            thing,
            thing.on ? 'switched off' : 'switched on',
            (draft) => void Object.assign(draft, { on: !thing.on }),
          )
        }
      />
      <button
        type="button"
        className="flex min-w-0 items-center gap-1.5 text-left max-sm:col-span-4"
        onClick={() => onPick(thing.id)}
      >
        <span
          aria-hidden
          className="size-3 shrink-0 rounded-full border border-line-strong"
          style={{
            background: found && found.state.factor > 0 ? colourOf(found.state) : 'transparent',
          }}
        />
        <span className="truncate text-[14px]">{thing.name}</span>
      </button>
      {thing.kind === 'light' ? (
        <Slider.Root
          className="relative flex h-6 touch-none items-center select-none max-sm:col-start-2"
          min={0}
          max={100}
          step={1}
          value={[Math.round(level * 100)]}
          onValueChange={([value]) => edits.preview(lead(value! / 100))}
          onValueCommit={() => edits.settle(`level of ${thing.name}`)}
          disabled={!thing.on}
        >
          <Slider.Track className="relative h-1 grow rounded-full bg-line">
            <Slider.Range className="absolute h-full rounded-full bg-brass-bright" />
          </Slider.Track>
          <Slider.Thumb
            aria-label={`Level of ${thing.name}`}
            className="block size-4 rounded-full border-2 border-brass bg-raised"
          />
        </Slider.Root>
      ) : (
        <span className="text-[13px] text-ink-soft max-sm:col-start-2">by the weather</span>
      )}
      <span className="figure text-right text-[13px]">{Math.round(level * 100)} %</span>
      <span className="figure text-right text-[13px]">
        {found && found.state.factor > 0
          ? found.state.coloured
            ? 'a colour'
            : `${Math.round(found.state.cctK / 10) * 10} K`
          : ''}
      </span>
      <button
        type="button"
        className="press !px-1.5 !py-0 text-[13px]"
        aria-pressed={aloneId === thing.id}
        aria-label={`${thing.name} alone`}
        onClick={() => onAlone(aloneId === thing.id ? null : thing.id)}
      >
        alone
      </button>
    </li>
  );
}
