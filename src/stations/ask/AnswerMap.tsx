'use client';
import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type Plugin,
} from 'chart.js';
import { useState } from 'react';
import type { Answer } from '@/core/evaluate/search/answers';
import { WAYS, type Judged } from '@/core/evaluate/search/judged';
import { spentWords } from '@/core/evaluate/search/words';
import { minorDigits, stopsInWords } from '@/core/quantity';
import { ChartFigure } from '@/ui/ChartFigure';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { axisIn, useChart, type Ink } from '@/ui/useChart';
import { useProduction } from '../store/context';

Chart.register(ScatterController, LineController, LineElement, LinearScale, PointElement, Tooltip);

interface AnswerMapProps {
  front: readonly Judged[];
  answers: readonly Answer[];
  /** what is asked for: points are shaded against it */
  softnessDeg: number;
  picked: string | null;
}

const ACROSS = {
  money: { name: 'money', of: ({ nowMinor }: Judged, unit: number) => nowMinor / unit },
  hours: { name: 'hours of making', of: ({ hours }: Judged) => hours },
} as const;
type Across = keyof typeof ACROSS;

/** Shapes of the ways: made, drawn, bought, hired. */
const SHAPES: Record<Judged['way'], 'circle' | 'rectRot' | 'rect' | 'triangle'> = {
  build: 'circle',
  have: 'rectRot',
  buy: 'rect',
  hire: 'triangle',
};

/** Hard to soft: from ink to the glow of a lamp. */
const softInk = (share: number) =>
  `color-mix(in oklab, #b5651d ${Math.round(100 * (1 - share))}%, #ffd98a)`;
/** Shades told apart; each is asked of the browser once a drawing, for that is slow. */
const SHADES = 8;
function shades(): string[] {
  const probe = document.createElement('span');
  document.body.append(probe);
  const found = Array.from({ length: SHADES }, (_, k) => {
    probe.style.color = softInk(k / (SHADES - 1));
    return getComputedStyle(probe).color;
  });
  probe.remove();
  return found;
}

/** Most light for the money or less of what is made: what nobody who builds gets past. */
function envelope(
  front: readonly Judged[],
  at: (found: Judged) => number,
): { x: number; y: number }[] {
  const made = front.filter(({ way }) => way === 'build' || way === 'have');
  const sorted = made.toSorted((a, b) => at(a) - at(b));
  let most = -Infinity;
  return sorted.flatMap((found) => {
    if (found.stops <= most) return [];
    most = found.stops;
    return [{ x: at(found), y: found.stops }];
  });
}

/** Numbers of the answers beside their points. */
const numbers = (
  answers: readonly Answer[],
  at: (found: Judged) => number,
  ink: Ink,
  picked: string | null,
): Plugin<'scatter'> => ({
  id: 'numbers',
  afterDatasetsDraw: ({ ctx, scales }) => {
    ctx.save();
    ctx.font = '600 13px "Bricolage Grotesque Variable", sans-serif';
    ctx.textAlign = 'center';
    ctx.textBaseline = 'middle';
    for (const [k, { found }] of answers.entries()) {
      const x = scales.x!.getPixelForValue(at(found));
      const y = scales.y!.getPixelForValue(found.stops);
      ctx.beginPath();
      ctx.arc(x, y, 11, 0, 2 * Math.PI);
      ctx.fillStyle = found.id === picked ? ink('--brass') : ink('--raised');
      ctx.fill();
      ctx.lineWidth = 2;
      ctx.strokeStyle = ink('--brass');
      ctx.stroke();
      ctx.fillStyle = found.id === picked ? ink('--paper') : ink('--ink');
      ctx.fillText(String(k + 1), x, y + 1);
    }
    ctx.restore();
  },
});

/** Money or hours against light, coloured by softness, the edge of what can be had drawn through. */
export default function AnswerMap({ front, answers, softnessDeg, picked }: AnswerMapProps) {
  const [across, setAcross] = useState<Across>('money');
  const currency = useProduction((state) => state.document.currency);
  const { units } = useDevice();
  const canvas = useChart(
    (ink) => {
      const share = ({ angleDeg, separate }: Judged) =>
        Math.min(1, angleDeg / Math.max(1, 1.2 * softnessDeg)) * (separate ? 0.5 : 1);
      const unit = 10 ** minorDigits(currency);
      const at = (found: Judged) => ACROSS[across].of(found, unit);
      const inks = shades();
      const shaded = front.map((found) => inks[Math.round(share(found) * (SHADES - 1))]!);
      return {
        type: 'scatter',
        data: {
          datasets: [
            {
              label: 'most light for it',
              type: 'line' as const,
              data: envelope(front, at),
              stepped: 'before' as const,
              borderColor: ink('--line-strong'),
              borderWidth: 1.5,
              pointRadius: 0,
            },
            {
              label: 'what can be had',
              data: front.map((found) => ({ x: at(found), y: found.stops })),
              pointStyle: front.map(({ way }) => SHAPES[way]),
              pointRadius: 6,
              pointBackgroundColor: shaded,
              pointBorderColor: ink('--ink-soft'),
              pointBorderWidth: 1,
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              min: 0,
              ...axisIn(
                ink,
                across === 'money' ? `still to spend, ${currency}` : 'hours of making',
              ),
            },
            y: { type: 'linear', ...axisIn(ink, 'stops over the target') },
          },
          plugins: {
            legend: { display: false },
            tooltip: {
              callbacks: {
                label: ({ dataIndex, datasetIndex }) => {
                  const found = datasetIndex === 1 ? front[dataIndex] : undefined;
                  return found
                    ? `${found.name}, ${found.what}: ${stopsInWords(found.stops)}, ${Math.round(found.angleDeg)}°`
                    : '';
                },
              },
            },
          },
        },
        plugins: [numbers(answers, at, ink, picked) as Plugin],
      };
    },
    [front, answers, across, softnessDeg, picked, currency],
  );
  return (
    <section aria-label="Map" className="flex min-w-0 shrink-0 flex-col gap-1">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px] text-ink-soft">
        <div role="group" aria-label="Across" className="flex gap-1">
          {(Object.keys(ACROSS) as Across[]).map((id) => (
            <button
              key={id}
              type="button"
              aria-pressed={across === id}
              className={`press min-h-[26px] py-0 ${across === id ? 'press-main' : ''}`}
              onClick={() => setAcross(id)}
            >
              {ACROSS[id].name}
            </button>
          ))}
        </div>
        <span className="flex items-center gap-1">
          hard
          <span
            aria-hidden
            className="inline-block h-2.5 w-16 border border-line-strong"
            style={{ background: `linear-gradient(90deg, ${softInk(0)}, ${softInk(1)})` }}
          />
          soft
        </span>
        <span aria-hidden>● made &nbsp; ◆ drawn already &nbsp; ■ bought &nbsp; ▲ hired</span>
      </div>
      <ChartFigure
        canvas={canvas}
        className="h-[clamp(220px,calc(100dvh-480px),560px)]"
        label={`${front.length} lights that nothing beats, light against ${ACROSS[across].name}; the table below holds the same figures`}
        table={
          <table className="rows tight w-full text-[13px]">
            <Heads
              of={[
                'light',
                'way',
                { figures: 'stops' },
                { figures: 'softness' },
                { figures: 'to spend' },
                { figures: 'hours' },
              ]}
            />
            <tbody>
              {front.map((found) => (
                <tr key={found.id}>
                  <td>
                    {found.name}, {found.what}
                  </td>
                  <td>{WAYS[found.way]}</td>
                  <td className="num">{found.stops.toFixed(1)}</td>
                  <td className="num">{Math.round(found.angleDeg)}°</td>
                  <td className="num">{spentWords(found, { currency, units })}</td>
                  <td className="num">{found.hours.toFixed(1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        }
      />
    </section>
  );
}
