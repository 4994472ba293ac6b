'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { TONE_WORDS } from '@/core/colour/tone';
import { addedUp, developInPlace, RANGE_STOPS, stopsAt } from '@/core/set/picture/develop';
import type { Lit } from '@/core/set/readings';
import { stopsFigure } from '@/core/quantity';
import { savePng } from '../glow/paint';
import { stopsRgb } from '../glow/stopsColour';
import { StopsScale } from '../glow/StopsScale';
import type { Layers } from './useLayers';

export type Overlay = 'none' | 'stops' | 'range';

const OVERLAYS: readonly (readonly [Overlay, string])[] = [
  ['none', 'As seen'],
  ['stops', 'Stops'],
  ['range', 'Clipped and crushed'],
];

interface CameraPictureProps {
  name: string;
  layers: Layers | null;
  lit: readonly Lit[];
  /** light that makes a grey card mid-grey, lx */
  targetLx: number;
  /** one light by itself; null for all that are lit */
  aloneId: string | null;
  busy: boolean;
}

/** Arrow keys walk over the picture. */
const WAYS: Partial<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const within = (share: number) => Math.min(0.999, Math.max(0, share));

const OVER: readonly [number, number, number] = [196, 62, 38];
const UNDER: readonly [number, number, number] = [58, 78, 140];

function paintOverlay(
  out: Uint8ClampedArray,
  sum: Float32Array,
  targetLx: number,
  overlay: Overlay,
): void {
  if (overlay === 'none') return;
  for (let pixel = 0; pixel < sum.length / 3; pixel++) {
    const stops = stopsAt(sum, pixel, targetLx);
    const colour =
      overlay === 'stops'
        ? stopsRgb(stops)
        : stops > RANGE_STOPS.clipped
          ? OVER
          : stops < RANGE_STOPS.crushed
            ? UNDER
            : null;
    if (colour) out.set(colour, pixel * 4);
  }
}

/** The set through the lens: what each light adds, as it is turned up now. */
export function CameraPicture(props: CameraPictureProps) {
  const { name, layers, lit, targetLx, aloneId, busy } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [overlay, setOverlay] = useState<Overlay>('none');
  const [tapped, setTapped] = useState<{ x: number; y: number } | null>(null);
  const sum = useMemo(() => {
    if (!layers) return null;
    const shown = lit.flatMap(({ light, state, tint }) => {
      const layer = layers.byLight.get(light.id);
      const factor = aloneId === null ? state.factor : aloneId === light.id ? state.full : 0;
      const by = [tint[0] * factor, tint[1] * factor, tint[2] * factor] as const;
      return layer ? [{ layer, by }] : [];
    });
    return addedUp(shown, layers.wide * layers.high);
  }, [layers, lit, aloneId]);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !layers || !sum) return;
    const image = context.createImageData(layers.wide, layers.high);
    const pixels = image.data as Uint8ClampedArray<ArrayBuffer>;
    developInPlace(sum, targetLx, pixels);
    paintOverlay(pixels, sum, targetLx, overlay);
    context.putImageData(image, 0, 0);
  }, [layers, sum, targetLx, overlay]);
  const stops =
    tapped && layers && sum
      ? stopsAt(
          sum,
          Math.floor(tapped.y * layers.high) * layers.wide + Math.floor(tapped.x * layers.wide),
          targetLx,
        )
      : null;
  return (
    <figure className="grid gap-1.5">
      <div className="relative">
        <canvas
          ref={canvas}
          width={layers?.wide ?? 120}
          height={layers?.high ?? 68}
          role="img"
          aria-label={`${name} as the camera sees it; arrow keys read stops in it; the figures beside it say the same`}
          data-picture={layers === null ? 'none' : layers.clean && !busy ? 'clean' : 'rough'}
          data-overlay={overlay}
          className="aspect-video w-full cursor-crosshair rounded-sm bg-black"
          tabIndex={0}
          onKeyDown={(event) => {
            const way = WAYS[event.key];
            if (!way) return;
            event.preventDefault();
            const from = tapped ?? { x: 0.5, y: 0.5 };
            const by = tapped ? (event.shiftKey ? 0.1 : 0.02) : 0;
            setTapped({ x: within(from.x + by * way[0]), y: within(from.y + by * way[1]) });
          }}
          onPointerDown={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            setTapped({
              x: within((event.clientX - box.left) / box.width),
              y: within((event.clientY - box.top) / box.height),
            });
          }}
        />
        {tapped && stops !== null && (
          <span
            className="figure pointer-events-none absolute -translate-x-1/2 -translate-y-[130%] rounded-sm border border-line bg-raised px-1 text-[12px]"
            style={{ left: `${tapped.x * 100}%`, top: `${tapped.y * 100}%` }}
            role="status"
            data-tapped
          >
            {stopsFigure(stops)} stops
          </span>
        )}
        {tapped && (
          <span
            aria-hidden
            className="pointer-events-none absolute size-2 -translate-1/2 rounded-full border-2 border-white mix-blend-difference"
            style={{ left: `${tapped.x * 100}%`, top: `${tapped.y * 100}%` }}
          />
        )}
      </div>
      <figcaption className="flex flex-wrap items-center gap-2 text-[13px] text-ink-soft">
        <span role="group" aria-label="What is shown over the picture" className="flex gap-1">
          {OVERLAYS.map(([id, words]) => (
            <button
              key={id}
              type="button"
              className="press !px-2 !py-0.5"
              aria-pressed={overlay === id}
              onClick={() => setOverlay(id)}
            >
              {words}
            </button>
          ))}
        </span>
        <button
          type="button"
          className="press !px-2 !py-0.5"
          onClick={() => canvas.current && savePng(canvas.current, `${name}.png`)}
        >
          PNG
        </button>
        <span className="flex-1 text-right" title={TONE_WORDS}>
          {layers === null
            ? 'being drawn'
            : busy || !layers.clean
              ? 'growing finer'
              : 'grey card = 0 stops'}
        </span>
      </figcaption>
      {overlay === 'stops' && <StopsScale words="stops over a grey card in the wanted light" />}
      {overlay === 'range' && (
        <p className="text-[13px] text-ink-soft">
          <Swatch rgb={OVER} /> over {stopsFigure(RANGE_STOPS.clipped)} stops: white without detail.{' '}
          <Swatch rgb={UNDER} /> under {stopsFigure(RANGE_STOPS.crushed)}: black.
        </p>
      )}
    </figure>
  );
}

const Swatch = ({ rgb }: { rgb: readonly [number, number, number] }) => (
  <span
    aria-hidden
    className="mr-1 inline-block size-3 rounded-[2px] align-[-1px]"
    style={{ background: `rgb(${rgb.join(' ')})` }}
  />
);
