'use client';
import { useState } from 'react';
import type { SetAnswer } from '@/core/evaluate/setup/engine';
import { stopsFigure } from '@/core/quantity';
import { WALLS } from '@/core/set/faces';
import { headReading, meanLxOf, solveFill, type HeadReading, type Lit } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import { BackdropFigures } from './BackdropFigures';
import type { SetFiguresProps } from './figuresOf';
import { Line, lux, percent } from './Line';
import { GlassFigures } from './GlassFigures';
import type { SetEdits } from './useSetEdits';

/** What the set comes to, as everything is turned up now. */
export function SetFigures(props: SetFiguresProps) {
  const { setup, answer, lit, targetLx, edits } = props;
  const heads = setup.things.filter(({ kind }) => kind === 'head');
  const backdrops = setup.things.filter(({ kind }) => kind === 'backdrop');
  return (
    <div className="mt-3 grid gap-3 text-[14px]" data-figures={answer.patches}>
      {heads.map(({ id, name }) => (
        <HeadFigures
          key={id}
          {...props}
          id={id}
          name={name}
          reading={headReading(lit, id, targetLx, setup.camera.balanceK)}
        />
      ))}
      {backdrops.map(({ id, name }) => (
        <BackdropFigures key={id} {...props} id={id} name={name} faceId={heads[0]?.id ?? null} />
      ))}
      {answer.glasses.map((glass) => (
        <GlassFigures
          key={glass.id}
          glass={glass}
          edits={edits}
          setup={setup}
          units={props.units}
        />
      ))}
      <CircuitFigures answer={answer} lit={lit} />
      <details>
        <summary>Walls, and how it was worked out</summary>
        <dl className="mt-1 grid grid-cols-2 gap-x-4">
          {WALLS.map((wall) => {
            const lx = meanLxOf(lit, wall);
            return lx > 0 ? <Line key={wall} term={WALL_NAMES[wall]} words={lux(lx)} /> : null;
          })}
        </dl>
        <p className="mt-1 text-[13px] text-ink-soft">
          Each light alone by its own field, with flags, cards and heads in the way; then every
          order of bounce between {answer.patches} patches of Lambert’s law
          {answer.imbalance > 0 &&
            `, in which all but ${answer.imbalance.toExponential(0)} of the light adds up`}
          ; then summed as they are turned up. The error is that of each light’s own lumens;
          finishes are typed or typical, and not in it.
        </p>
      </details>
    </div>
  );
}

const WALL_NAMES = {
  floor: 'Floor',
  ceiling: 'Ceiling',
  front: 'Behind the camera',
  back: 'Before the camera',
  left: 'Left wall',
  right: 'Right wall',
} as const;

const ratioWords = (ratio: { ratio: number; stops: number } | null): string =>
  ratio
    ? `${ratio.ratio.toFixed(ratio.ratio < 10 ? 1 : 0)} : 1, ${ratio.stops.toFixed(1)} stops`
    : 'nothing else is lit';

function HeadFigures({
  id,
  name,
  reading,
  setup,
  lit,
  edits,
}: SetFiguresProps & { id: string; name: string; reading: HeadReading }) {
  const { frontLx, share, stops, together, alone, cctK, duv, clash, daylight, shadows } = reading;
  return (
    <section aria-label={`At ${name}`} data-head={id}>
      <h2 className="text-[15px]">At {name}</h2>
      <p className="flex items-baseline gap-3">
        <span className="figure text-2xl" data-figure="front">
          {lux(frontLx)}
        </span>
        <span className="figure text-ink-soft">± {lux(share * frontLx)}</span>
        <span className="figure flex-1 text-right" data-figure="stops">
          {stops === null ? 'dark' : `${stopsFigure(stops)} stops`}
        </span>
      </p>
      <dl>
        <Line term="Key + fill : fill" words={ratioWords(together)} mark="together" />
        <Line term="Key : fill alone" words={ratioWords(alone)} mark="alone" />
        <Line
          term="Cheeks, left and right"
          words={`${lux(reading.leftLx)}, ${lux(reading.rightLx)}`}
        />
        {cctK !== null && (
          <Line
            term="Mixed colour"
            words={`${Math.round(cctK / 10) * 10} K, Duv ${(duv ?? 0).toFixed(4)}`}
          />
        )}
        {reading.coloured.length > 0 && (
          <Line
            term="Of a colour of their own"
            words={reading.coloured.join(', ')}
            mark="coloured"
          />
        )}
        {clash && (
          <Line
            term={`${clash.warm} beside ${clash.cool}`}
            words={`${Math.round(clash.shiftMired)} mired: ${clash.words}`}
            mark="clash"
          />
        )}
        {daylight > 0 && <Line term="By windows" words={percent(daylight)} mark="daylight" />}
        <Line
          term="Shadows of their own"
          words={shadows.length ? shadows.join(', ') : 'none'}
          mark="shadows"
        />
      </dl>
      <FillSolver id={id} reading={reading} setup={setup} lit={lit} edits={edits} />
      <details className="mt-1">
        <summary>Light by light</summary>
        <table className="w-full text-[13px]">
          <thead>
            <tr className="text-ink-soft">
              <th scope="col" className="text-left font-normal">
                Light
              </th>
              <th scope="col" className="text-right font-normal">
                face
              </th>
              <th scope="col" className="text-right font-normal">
                straight
              </th>
              <th scope="col" className="text-right font-normal">
                left cheek
              </th>
              <th scope="col" className="text-right font-normal">
                right
              </th>
            </tr>
          </thead>
          <tbody className="figure">
            {reading.parts.map((part) => (
              <tr key={part.id}>
                <th scope="row" className="font-text text-left font-normal">
                  {part.name}
                </th>
                <td className="text-right">{lux(part.frontLx)}</td>
                <td className="text-right">{lux(part.straightLx)}</td>
                <td className="text-right">{lux(part.leftLx)}</td>
                <td className="text-right">{lux(part.rightLx)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <ul className="mt-1 text-[13px] text-ink-soft">
          {lit
            .filter(({ state }) => state.factor > 0)
            .map(({ light }) => (
              <li key={light.id}>
                {light.name}: {light.origin}, ± {percent(light.share)}
              </li>
            ))}
        </ul>
      </details>
      <BalanceLines reading={reading} setup={setup} edits={edits} />
    </section>
  );
}

/** What the camera should be balanced to, and what to do about the lights that do not sit with it. */
function BalanceLines({
  reading,
  setup,
  edits,
}: {
  reading: HeadReading;
  setup: Setup;
  edits: SetEdits;
}) {
  const { balance, cctK } = reading;
  if (!balance || cctK === null) return null;
  const uneasy = balance.sources.filter(({ accept }) => !accept);
  const rounded = Math.round(cctK / 50) * 50;
  return (
    <details className="mt-1">
      <summary>Colour of the camera: {setup.camera.balanceK} K</summary>
      <ul className="mt-1 grid gap-1 text-[13px]">
        {uneasy.map(({ id, name, offMired, gel, dimTo }) => (
          <li key={id}>
            {name} is {Math.abs(Math.round(offMired))} mired {offMired > 0 ? 'warmer' : 'cooler'}
            {gel &&
              `: ${gel.name} leaves ${Math.round(Math.abs(gel.leftMired))}, costs ${gel.lostStops.toFixed(1)} stops`}
            {dimTo !== null && ` or dim to ${percent(dimTo)}`}
          </li>
        ))}
        {uneasy.length === 0 && <li>All lights that count sit with it.</li>}
      </ul>
      {Math.abs(rounded - setup.camera.balanceK) >= 50 && (
        <button
          type="button"
          className="press mt-1 !px-2 !py-0.5"
          onClick={() =>
            edits.setup('camera balance', (draft) => void (draft.camera.balanceK = rounded))
          }
        >
          Balance to {rounded} K, the mixture
        </button>
      )}
    </details>
  );
}

const WANTED = [1.5, 2, 3, 4, 8] as const;

/** The fill that makes a wanted ratio, and one press to have it. */
function FillSolver({
  id,
  reading,
  setup,
  lit,
  edits,
}: {
  id: string;
  reading: HeadReading;
  setup: Setup;
  lit: readonly Lit[];
  edits: SetEdits;
}) {
  const [wanted, setWanted] = useState(2);
  const fill =
    setup.things.find((thing) => thing.kind === 'light' && thing.role === 'fill' && thing.on) ??
    setup.things.find((thing) => thing.kind === 'light' && thing.on && thing.id !== reading.keyId);
  if (fill?.kind !== 'light' || fill.id === reading.keyId) return null;
  const found = solveFill(lit, id, fill.id, wanted);
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-1">
        Wanted
        <select
          className="field !w-auto"
          aria-label="Wanted key + fill : fill"
          value={wanted}
          onChange={(event) => setWanted(Number(event.target.value))}
        >
          {WANTED.map((each) => (
            <option key={each} value={each}>
              {each} : 1
            </option>
          ))}
        </select>
      </label>
      {!found ? (
        <span className="text-ink-soft">no level of {fill.name} makes it</span>
      ) : found.level <= 1 ? (
        <button
          type="button"
          className="press !px-2 !py-0.5"
          onClick={() =>
            edits.thing(fill, `level for ${wanted} : 1`, (draft) => {
              if (draft.kind === 'light') draft.level = Math.max(0, Math.min(1, found.level));
            })
          }
        >
          {fill.name} to {percent(found.level)}
        </button>
      ) : (
        <span>
          {fill.name}: {found.lights} like it, or {percent(found.timesDistance)} of its distance
        </span>
      )}
    </p>
  );
}

function CircuitFigures({ answer, lit }: { answer: SetAnswer; lit: readonly Lit[] }) {
  const on = new Set(lit.filter(({ state }) => state.factor > 0).map(({ light }) => light.id));
  const watts = lit.reduce((sum, { state }) => sum + state.wattsW, 0);
  const plugged = new Set(answer.circuits.flatMap(({ lights }) => lights.map(({ id }) => id)));
  const loose = lit
    .filter(({ light, state }) => !plugged.has(light.id) && state.wattsW > 0)
    .map(({ light }) => light.name);
  return (
    <section aria-label="Power" data-power>
      <h2 className="text-[15px]">Power, as it is lit</h2>
      <dl>
        <Line term="All lamps" words={`${Math.round(watts)} W`} mark="watts" />
        {answer.circuits.map(({ id, name, limitA, otherA, lights }) => {
          const amps =
            otherA + lights.reduce((sum, each) => sum + (on.has(each.id) ? each.amps : 0), 0);
          return (
            <Line
              key={id}
              term={name}
              words={`${amps.toFixed(1)} of ${limitA.toFixed(0)} A${amps > limitA ? ': more than it may carry for long' : ''}`}
            />
          );
        })}
      </dl>
      {loose.length > 0 && (
        <p className="text-look">On no circuit yet, and in no breaker’s sum: {loose.join(', ')}.</p>
      )}
      <p className="mt-1 text-[13px] text-ink-soft">
        Amperes are those of lights fully up. Weigh down every stand, tape the cables, and hang
        nothing over people without a second line that holds it by itself. Each light’s own cautions
        are on Wire; local codes and licensed practice come first.
      </p>
    </section>
  );
}
