'use client';
import { uvCss } from '@/core/colour/display';
import type { Lit } from '@/core/set/readings';
import type { SetCamera } from '@/core/set/setup';
import type { LightThing } from '@/core/set/things';
import { coloursFor, mixedLight, mixedRa, MIX_WORDS, whitesFor } from '@/core/units/channels';
import type { SetEdits } from './useSetEdits';

interface MixLineProps {
  thing: LightThing;
  lit: Lit | undefined;
  camera: SetCamera;
  edits: SetEdits;
}

/** What a light's mixture comes to, and one press to the camera's white. */
export function MixLine({ thing, lit, camera: { balanceK }, edits }: MixLineProps) {
  if (!lit || thing.mix === 'sold') return null;
  const lamp = lit.light.mixed?.lamp ?? null;
  const now = mixedLight(lamp, thing);
  if (!lamp || !now)
    return (
      <p className="text-[14px] text-look" data-mix="none">
        {thing.name} has no such colours to mix by its label: it shines as it comes.
      </p>
    );
  const two = thing.mix === 'whites';
  const white = two ? null : coloursFor(lamp, balanceK);
  const kelvins = lamp.channels.flatMap((channel) => channel.white?.cctK ?? []);
  const between = balanceK >= Math.min(...kelvins) && balanceK <= Math.max(...kelvins);
  const ra = mixedRa(lamp, thing);
  const { coloured, cctK } = lit.state;
  const typical = lamp.channels.some(({ lumensShare }) => lumensShare.origin === 'typical');
  return (
    <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]" data-mix={thing.mix}>
      {now.uv && (
        <span
          aria-hidden
          className="inline-block size-4 rounded-full border border-line-strong"
          style={{ background: uvCss(now.uv) }}
        />
      )}
      <span className="figure">
        {Math.round(100 * now.lumensShare)} % of the light it comes with,{' '}
        {coloured ? 'a colour' : `${Math.round(cctK / 10) * 10} K`}
        {ra !== null && !coloured && `, Ra ${Math.round(ra)}`}
      </span>
      {typical && <span className="text-ink-soft">~ typical, its label is silent</span>}
      {two || white ? (
        <button
          type="button"
          className="press !px-2 !py-0.5"
          onClick={() =>
            edits.thing(thing, `mixed to ${balanceK} K`, (draft) => {
              if (draft.kind === 'light')
                Object.assign(draft, { mixWhite: 0 }, white ?? whitesFor(lamp, balanceK));
            })
          }
        >
          {two && !between
            ? `Mix as near to the camera’s ${balanceK} K as they reach`
            : `Mix the camera’s ${balanceK} K`}
        </button>
      ) : (
        <span className="text-ink-soft">
          {MIX_WORDS.mixes[thing.mix]} do not reach {balanceK} K
        </span>
      )}
    </p>
  );
}
