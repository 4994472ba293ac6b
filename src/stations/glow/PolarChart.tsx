'use client';
import { toRadians } from '@/core/angle';
import {
  Chart,
  type ChartConfiguration,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js';
import type { FarField } from '@/core/light/farField';
import { threeFigures } from '@/core/quantity';
import { Heads } from '@/ui/Heads';
import { ChartFigure } from '@/ui/ChartFigure';
import { axisIn, useChart } from '@/ui/useChart';

Chart.register(ScatterController, LineElement, PointElement, LinearScale, Tooltip, Legend);

/** Each plane as one line from behind round the front and back, x to the side and y forwards. */
function polarChart(far: FarField, ink: (token: string) => string): ChartConfiguration<'scatter'> {
  const { anglesDeg, planesCd } = far;
  const half = (cd: readonly number[], side: 1 | -1) =>
    anglesDeg.map((angle, k) => ({
      x: side * cd[k]! * Math.sin(toRadians(angle)),
      y: cd[k]! * Math.cos(toRadians(angle)),
    }));
  const line = (
    label: string,
    token: string,
    dash: number[],
    of: readonly [number[], number[]],
  ) => ({
    label,
    data: [...half(of[0], -1).reverse(), ...half(of[1], 1)],
    showLine: true,
    borderColor: ink(token),
    backgroundColor: ink(token),
    borderDash: dash,
    borderWidth: 2,
    pointRadius: 0,
    pointHitRadius: 6,
  });
  const reach = far.peakCd * 1.05;
  const axis = (text: string) => ({
    ...axisIn(ink, text),
    min: -reach,
    max: reach,
    ticks: {
      color: ink('--ink-soft'),
      callback: (value: string | number) => threeFigures(Math.abs(Number(value))),
    },
  });
  return {
    type: 'scatter',
    data: {
      datasets: [
        line('level', '--brass', [], [planesCd.left, planesCd.right]),
        line('upright', '--ink', [7, 4], [planesCd.down, planesCd.up]),
      ],
    },
    options: {
      animation: false,
      aspectRatio: 1,
      scales: {
        x: axis('to the sides, cd'),
        y: { ...axis('forwards, cd'), min: -Math.max(reach * 0.25, behind(far)) },
      },
      plugins: { legend: { labels: { color: ink('--ink'), boxHeight: 1 } } },
    },
  };
}

/** Polar plot with the axis straight up: how far from the middle is how bright, in candela. */
export default function PolarChart({ far }: { far: FarField }) {
  const canvas = useChart((ink) => polarChart(far, ink), [far]);
  return (
    <ChartFigure
      canvas={canvas}
      className="mx-auto max-w-[380px]"
      label="Intensity by direction; the table below holds the same figures"
      table={<CandelaTable far={far} />}
    />
  );
}

/** How much goes backwards, so that the plot has room for it. */
const behind = ({ anglesDeg, planesCd }: FarField): number =>
  Math.max(
    0,
    ...Object.values(planesCd).flatMap((cd) =>
      cd.map((value, k) => -value * Math.cos(toRadians(anglesDeg[k]!))),
    ),
  ) * 1.05;

const CandelaTable = ({ far }: { far: FarField }) => (
  <table className="rows tight">
    <Heads
      of={[{ figures: 'from the axis' }, { figures: 'level, cd' }, { figures: 'upright, cd' }]}
    />
    <tbody>
      {far.anglesDeg.flatMap((angle, k) =>
        angle % 15 === 0
          ? [
              <tr key={angle}>
                <td className="num">{angle}°</td>
                <td className="num">{threeFigures(far.planesCd.right[k]!)}</td>
                <td className="num">{threeFigures(far.planesCd.up[k]!)}</td>
              </tr>,
            ]
          : [],
      )}
    </tbody>
  </table>
);
