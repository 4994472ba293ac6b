'use client';
import { headWorking } from '@/core/evaluate/setup/headWorking';
import { wallWorking } from '@/core/evaluate/setup/workings';
import { stopsFigure } from '@/core/quantity';
import { WALLS } from '@/core/set/faces';
import { headReading, meanLxOf, type HeadReading } from '@/core/set/readings';
import { BackdropFigures } from './BackdropFigures';
import type { SetFiguresProps } from './figuresOf';
import { Line, lux, percent } from './Line';
import { useWhy, WhySheet } from './WhySheet';
import { BalanceLines } from './BalanceLines';
import { CircuitFigures } from './CircuitFigures';
import { FillSolver } from './FillSolver';
import { GlassFigures } from './GlassFigures';

/** What the set comes to, as everything is turned up now. */
export function SetFigures(props: SetFiguresProps) {
  const { setup, answer, lit, targetLx, edits } = props;
  const heads = setup.things.filter(({ kind }) => kind === 'head');
  const backdrops = setup.things.filter(({ kind }) => kind === 'backdrop');
  return (
    <WhySheet>
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
              return lx > 0 ? (
                <Line
                  key={wall}
                  term={WALL_NAMES[wall]}
                  words={lux(lx)}
                  why={(words) => wallWorking(WALL_NAMES[wall], wall, lit, words)}
                />
              ) : null;
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
    </WhySheet>
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
  targetLx,
  edits,
}: SetFiguresProps & { id: string; name: string; reading: HeadReading }) {
  const { frontLx, share, stops, together, alone, cctK, duv, clash, daylight, shadows } = reading;
  const tell = useWhy();
  const why = (figure: Parameters<typeof headWorking>[0]) => (words: string) =>
    headWorking(figure, reading, lit, targetLx, words);
  return (
    <section aria-label={`At ${name}`} data-head={id}>
      <h2 className="text-[15px]">At {name}</h2>
      <p className="flex items-baseline gap-3">
        <button
          type="button"
          aria-haspopup="dialog"
          aria-label={`Light at ${name}, ${lux(frontLx)}: the working`}
          className="figure text-2xl underline decoration-line-strong decoration-dotted underline-offset-4"
          data-figure="front"
          onClick={() => tell(why('front')(lux(frontLx)))}
        >
          {lux(frontLx)}
        </button>
        <span className="figure text-ink-soft">± {lux(share * frontLx)}</span>
        <span className="figure flex-1 text-right" data-figure="stops">
          {stops === null ? (
            'dark'
          ) : (
            <button
              type="button"
              aria-haspopup="dialog"
              aria-label={`${stopsFigure(stops)} stops against what the shot wants: the working`}
              className="underline decoration-line-strong decoration-dotted underline-offset-4"
              onClick={() => tell(why('stops')(`${stopsFigure(stops)} stops`))}
            >
              {stopsFigure(stops)} stops
            </button>
          )}
        </span>
      </p>
      <dl>
        <Line
          term="Key + fill : fill"
          words={ratioWords(together)}
          mark="together"
          why={together ? why('together') : undefined}
        />
        <Line
          term="Key : fill alone"
          words={ratioWords(alone)}
          mark="alone"
          why={alone ? why('alone') : undefined}
        />
        <Line
          term="Cheeks, left and right"
          words={`${lux(reading.leftLx)}, ${lux(reading.rightLx)}`}
          why={why('cheeks')}
        />
        {cctK !== null && (
          <Line
            term="Mixed colour"
            words={`${Math.round(cctK / 10) * 10} K, Duv ${(duv ?? 0).toFixed(4)}`}
            why={why('colour')}
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
            why={why('clash')}
          />
        )}
        {daylight > 0 && (
          <Line term="By windows" words={percent(daylight)} mark="daylight" why={why('daylight')} />
        )}
        <Line
          term="Shadows of their own"
          words={shadows.length ? shadows.join(', ') : 'none'}
          mark="shadows"
          why={why('shadows')}
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
