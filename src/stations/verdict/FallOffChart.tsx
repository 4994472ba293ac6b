'use client';
import {
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import type { Readouts } from '@/core/evaluate/evaluate';
import { show, showText, toUnit } from '@/core/quantity';
import { fixtureIlluminanceLx, type Fixture } from '@/core/verdict/fixture';
import { useDevice } from '@/ui/device';

Chart.register(
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  LogarithmicScale,
  Tooltip,
  Legend,
);

interface FallOffChartProps {
  readouts: Readouts;
  fixture: Fixture;
  shotM: number;
}

/** How light thins with distance, near field and all; the inverse square is there to distrust. */
export default function FallOffChart({ readouts, fixture, shotM }: FallOffChartProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { theme, units } = useDevice();
  const lengthUnit = units === 'metric' ? 'm' : 'ft';
  const lightUnit = units === 'metric' ? 'lx' : 'fc';

  useEffect(() => {
    const ink = (name: string) =>
      getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const x = (metres: number) => toUnit(metres, 'length', lengthUnit);
    const y = (lux: number) => toUnit(lux, 'illuminance', lightUnit);
    const line = (label: string, colour: string, dash: number[], points: [number, number][]) => ({
      label,
      data: points.map(([metres, lux]) => ({ x: x(metres), y: y(lux) })),
      borderColor: colour,
      backgroundColor: colour,
      borderDash: dash,
      borderWidth: 2,
      pointRadius: 0,
      pointHitRadius: 8,
    });
    const axis = (text: string) => ({
      title: { display: true, text, color: ink('--ink') },
      ticks: { color: ink('--ink-soft') },
      grid: { color: ink('--line') },
    });
    const { fallOff } = readouts;
    const chart = new Chart(canvas.current!, {
      type: 'line',
      data: {
        datasets: [
          line(
            'this build',
            ink('--brass'),
            [],
            fallOff.map((p) => [p.distanceM, p.illuminanceLx]),
          ),
          line(
            'inverse square',
            ink('--ink-soft'),
            [3, 4],
            fallOff.map((p) => [p.distanceM, p.inverseSquareLx]),
          ),
          line(
            'fixture',
            ink('--ink'),
            [9, 4],
            fallOff.map((p) => [p.distanceM, fixtureIlluminanceLx(fixture, p.distanceM)]),
          ),
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: { type: 'linear', ...axis(`distance from the front, ${lengthUnit}`) },
          y: { type: 'logarithmic', ...axis(`light on the axis, ${lightUnit}`) },
        },
        plugins: { legend: { labels: { color: ink('--ink'), boxHeight: 1 } } },
      },
    });
    return () => chart.destroy();
  }, [readouts, fixture, theme, lengthUnit, lightUnit]);

  return (
    <figure>
      <div className="relative h-[300px]">
        <canvas
          ref={canvas}
          role="img"
          aria-label="Light against distance; the table below holds the same figures"
        />
      </div>
      <details className="text-sm">
        <summary>As a table</summary>
        <table className="rows w-full">
          <thead>
            <tr>
              <th className="num">distance</th>
              <th className="num">this build</th>
              <th className="num">inverse square</th>
              <th className="num">fixture</th>
            </tr>
          </thead>
          <tbody>
            {readouts.fallOff
              .filter((_, index) => index % 3 === 0)
              .map((point) => {
                const lux = (value: number) => showText(show(value, 'illuminance', units));
                return (
                  <tr key={point.distanceM}>
                    <td className="num">{showText(show(point.distanceM, 'length', units))}</td>
                    <td className="num">{lux(point.illuminanceLx)}</td>
                    <td className="num">{lux(point.inverseSquareLx)}</td>
                    <td className="num">{lux(fixtureIlluminanceLx(fixture, point.distanceM))}</td>
                  </tr>
                );
              })}
          </tbody>
        </table>
      </details>
      <figcaption className="text-[13px] text-ink-soft">
        Subject at {showText(show(shotM, 'length', units))}. Worked out, not metered.
      </figcaption>
    </figure>
  );
}
