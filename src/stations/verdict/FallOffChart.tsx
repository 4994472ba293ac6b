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
import type { WorkedOut } from '@/core/evaluate/readouts';
import { show, showText, toUnit } from '@/core/quantity';
import { fixtureIlluminanceLx, type Fixture } from '@/core/verdict/fixture';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { ChartFigure } from '@/ui/ChartFigure';
import { axisIn, useChart } from '@/ui/useChart';

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
  readouts: WorkedOut;
  fixture: Fixture;
  shotM: number;
}

/** How light thins with distance, near field and all; the inverse square is there to distrust. */
export default function FallOffChart({ readouts, fixture, shotM }: FallOffChartProps) {
  const { units } = useDevice();
  const lengthUnit = units === 'metric' ? 'm' : 'ft';
  const lightUnit = units === 'metric' ? 'lx' : 'fc';

  const canvas = useChart(
    (ink) => {
      const x = (metres: number) => toUnit(metres, 'length', lengthUnit);
      const y = (lux: number) => toUnit(lux, 'illuminance', lightUnit);
      const { fallOff } = readouts;
      const line = (label: string, colour: string, dash: number[], of: (k: number) => number) => ({
        label,
        data: fallOff.map(({ distanceM }, k) => ({ x: x(distanceM), y: y(of(k)) })),
        borderColor: colour,
        backgroundColor: colour,
        borderDash: dash,
        borderWidth: 2,
        pointRadius: 0,
        pointHitRadius: 8,
      });
      return {
        type: 'line',
        data: {
          datasets: [
            line('this build', ink('--brass'), [], (k) => fallOff[k]!.illuminanceLx),
            line('inverse square', ink('--ink-soft'), [3, 4], (k) => fallOff[k]!.inverseSquareLx),
            line('fixture', ink('--ink'), [9, 4], (k) =>
              fixtureIlluminanceLx(fixture, fallOff[k]!.distanceM),
            ),
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: { type: 'linear', ...axisIn(ink, `distance from the front, ${lengthUnit}`) },
            y: { type: 'logarithmic', ...axisIn(ink, `light on the axis, ${lightUnit}`) },
          },
          plugins: { legend: { labels: { color: ink('--ink'), boxHeight: 1 } } },
        },
      };
    },
    [readouts, fixture, lengthUnit, lightUnit],
  );

  return (
    <ChartFigure
      canvas={canvas}
      className="h-[clamp(240px,34vh,460px)]"
      label="Light against distance; the table below holds the same figures"
      caption={<>Subject at {showText(show(shotM, 'length', units))}. Worked out, not metered.</>}
      table={<FallOffTable readouts={readouts} fixture={fixture} />}
    />
  );
}

function FallOffTable({ readouts, fixture }: Pick<FallOffChartProps, 'readouts' | 'fixture'>) {
  const { units } = useDevice();
  return (
    <table className="rows w-full">
      <Heads
        of={[
          { figures: 'distance' },
          { figures: 'this build' },
          { figures: 'inverse square' },
          { figures: 'fixture' },
        ]}
      />
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
  );
}
