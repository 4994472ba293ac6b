'use client';
import { useState } from 'react';
import { backdropWorking } from '@/core/evaluate/setup/workings';
import { stopsFigure } from '@/core/quantity';
import { backdropReading, headReading } from '@/core/set/readings';
import { lightHands } from '@/workers/pool';
import type { Thing } from '@/core/set/things';
import { useSession } from '../shell/Workbench';
import { Line, lux, percent } from './Line';
import type { SetFiguresProps } from './figuresOf';

/** A green screen should lie half a stop under the subject to level with it [common practice]. */
const GREEN = { from: -0.5, to: 0 };

/** How light lies over a backdrop, whose it is, and where two washes stand best. */
export function BackdropFigures({
  id,
  name,
  faceId,
  lit,
  setup,
  targetLx,
  stock,
  edits,
}: SetFiguresProps & { id: string; name: string; faceId: string | null }) {
  const reading = backdropReading(lit, id);
  if (!reading) return null;
  const thing = setup.things.find((each) => each.id === id);
  const face = faceId
    ? headReading(lit, faceId, targetLx, setup.camera.balanceK).frontLx
    : targetLx;
  const against = face > 0 && reading.meanLx > 0 ? Math.log2(reading.meanLx / face) : null;
  const why = (figure: Parameters<typeof backdropWorking>[0]) => (words: string) =>
    backdropWorking(figure, reading, lit, face, words);
  const green = thing?.kind === 'backdrop' && thing.surface === 'green';
  const level =
    against === null
      ? ''
      : against < GREEN.from
        ? ': too dark to key'
        : against > GREEN.to
          ? ': brighter than who stands before it, it spills on them'
          : ': as wanted';
  return (
    <section aria-label={name} data-backdrop={id}>
      <h2 className="text-[15px]">{name}</h2>
      <dl>
        <Line
          term="Least, mean, most"
          words={`${lux(reading.leastLx)}, ${lux(reading.meanLx)}, ${lux(reading.mostLx)}`}
          why={why('levels')}
        />
        <Line
          term="Even within"
          words={
            reading.plusMinusStops === null
              ? 'dark in places'
              : `± ${reading.plusMinusStops.toFixed(2)} stops`
          }
          mark="even"
          why={reading.plusMinusStops === null ? undefined : why('even')}
        />
        {against !== null && (
          <Line
            term={green ? 'Against the subject (wanted −½ to 0)' : 'Against the subject'}
            words={`${stopsFigure(against)} stops${green ? level : ''}`}
            mark="against"
            why={why('against')}
          />
        )}
        {reading.spill.slice(0, 4).map(({ id: light, name: said, share }) => (
          <Line key={light} term={`from ${said}`} words={percent(share)} />
        ))}
      </dl>
      {setup.things.filter(isWash).length >= 2 && (
        <BestPlaces id={id} setup={setup} stock={stock} edits={edits} />
      )}
    </section>
  );
}

const isWash = (thing: Thing): boolean => thing.kind === 'light' && thing.role === 'wash';

/** Even enough for a key to be pulled [common practice]. */
const EVEN_STOPS = 1 / 3;

/** Two washes put where they light the backdrop best. */
function BestPlaces({
  id,
  setup,
  stock,
  edits,
}: Pick<SetFiguresProps, 'setup' | 'stock' | 'edits'> & { id: string }) {
  const [busy, setBusy] = useState(false);
  const { say } = useSession();
  const put = async () => {
    const [hand] = lightHands();
    setBusy(true);
    const found = await hand
      ?.call((api) => api.washPlaces(stock, setup, id, EVEN_STOPS))
      .catch(() => null);
    setBusy(false);
    if (!found) return say('Two washes that give light are wanted for this.');
    edits.things(
      'washes to their best places',
      found.places.map(({ id: light, ...place }) => [
        light,
        (draft) => void Object.assign(draft, place),
      ]),
    );
    say(
      `Straight from there ± ${found.plusMinusStops.toFixed(2)} stops; walls and heads come to it.`,
    );
  };
  return (
    <button
      type="button"
      className="press mt-1 !px-2 !py-0.5"
      disabled={busy}
      onClick={() => void put()}
    >
      Put both washes where it is most even
    </button>
  );
}
