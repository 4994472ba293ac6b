'use client';
import { useEffect, useRef, useState } from 'react';
import type { SetAnswer } from '@/core/evaluate/setup/engine';
import { heightOf } from '@/core/set/picture/draw';
import type { PictureLamp, PictureScene } from '@/core/set/picture/pictureScene';
import { lightHands } from '@/workers/pool';

/** One picture after another, each twice as fine. */
const WIDTHS = [120, 240, 480] as const;

/** Each light alone, as far as it is drawn: lux on white, red, green and blue of each pixel. */
export interface Layers {
  wide: number;
  high: number;
  byLight: ReadonlyMap<string, Float32Array>;
  /** as fine as it gets */
  clean: boolean;
}

interface Drawn {
  key: string;
  layer: Float32Array;
}

/** All hands draw their share of the rows of one light's layer. */
async function drawnLayer(
  scene: PictureScene,
  lamp: PictureLamp,
  wide: number,
): Promise<Float32Array> {
  const hands = lightHands();
  const high = heightOf(wide);
  const whole = new Float32Array(wide * high * 3);
  await Promise.all(
    hands.map(async (hand, k) => {
      const first = Math.round((k * high) / hands.length);
      const rows = { first, count: Math.round(((k + 1) * high) / hands.length) - first };
      const part = (await hand.call(
        (api) => api.drawSet(scene, lamp, wide, rows, wide === WIDTHS.at(-1)),
        { priority: 'soon' },
      )) as Float32Array;
      whole.set(part, first * wide * 3);
    }),
  );
  return whole;
}

/** The camera's picture, layer by layer: what did not change is not drawn again. */
export function useLayers(picture: SetAnswer['picture']): Layers | null {
  const kept = useRef(new Map<string, Drawn>());
  const [layers, setLayers] = useState<Layers | null>(null);
  const scene = picture?.scene ?? null;
  const lamps = picture?.lamps ?? null;
  const wanted = scene && lamps ? [scene.key, ...lamps.map(({ key }) => key)].join(' ') : null;
  useEffect(() => {
    if (!scene || !lamps) return;
    let late = false;
    const draw = async () => {
      for (const wide of WIDTHS) {
        const byLight = new Map<string, Float32Array>();
        for (const lamp of lamps) {
          const place = `${wide} ${lamp.id}`;
          const key = `${scene.key} ${lamp.key}`;
          const known = kept.current.get(place);
          const layer = known?.key === key ? known.layer : await drawnLayer(scene, lamp, wide);
          if (late) return;
          kept.current.set(place, { key, layer });
          byLight.set(lamp.id, layer);
        }
        setLayers({ wide, high: heightOf(wide), byLight, clean: wide === WIDTHS.at(-1) });
      }
    };
    draw().catch(() => undefined);
    return () => {
      late = true;
    };
    // The keys say all that a picture hangs on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted]);
  return layers;
}
