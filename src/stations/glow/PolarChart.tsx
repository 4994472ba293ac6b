'use client';
import {
  Chart,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import type { FarField } from '@/core/light/farField';
import { threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';

Chart.register(ScatterController, LineElement, PointElement, LinearScale, Tooltip, Legend);

const RADIAN = Math.PI / 180;

/** Polar plot with the axis straight up: how far from the middle is how bright, in candela. */
export default function PolarChart({ far }: { far: FarField }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { theme } = useDevice();
  useEffect(() => {
    const ink = (name: string) =>
      getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const { anglesDeg, planesCd } = far;
    const half = (cd: readonly number[], side: 1 | -1) =>
      anglesDeg.map((angle, k) => ({
        x: side * cd[k]! * Math.sin(angle * RADIAN),
        y: cd[k]! * Math.cos(angle * RADIAN),
      }));
    const line = (
      label: string,
      colour: string,
      dash: number[],
      left: number[],
      right: number[],
    ) => ({
      label,
      data: [...half(left, -1).reverse(), ...half(right, 1)],
      showLine: true,
      borderColor: colour,
      backgroundColor: colour,
      borderDash: dash,
      borderWidth: 2,
      pointRadius: 0,
      pointHitRadius: 6,
    });
    const reach = far.peakCd * 1.05;
    const axis = (text: string) => ({
      title: { display: true, text, color: ink('--ink') },
      min: -reach,
      max: reach,
      ticks: {
        color: ink('--ink-soft'),
        callback: (value: string | number) => threeFigures(Math.abs(Number(value))),
      },
      grid: { color: ink('--line') },
    });
    const chart = new Chart(canvas.current!, {
      type: 'scatter',
      data: {
        datasets: [
          line('level', ink('--brass'), [], planesCd.left, planesCd.right),
          line('upright', ink('--ink'), [7, 4], planesCd.down, planesCd.up),
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
    });
    return () => chart.destroy();
  }, [far, theme]);
  return (
    <figure>
      <div className="relative mx-auto max-w-[380px]">
        <canvas
          ref={canvas}
          role="img"
          aria-label="Intensity by direction; the table below holds the same figures"
        />
      </div>
      <details className="text-sm">
        <summary>As a table</summary>
        <table className="rows tight">
          <thead>
            <tr>
              <th className="num">from the axis</th>
              <th className="num">level, cd</th>
              <th className="num">upright, cd</th>
            </tr>
          </thead>
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
      </details>
    </figure>
  );
}

/** How much goes backwards, so that the plot has room for it. */
const behind = ({ anglesDeg, planesCd }: FarField): number =>
  Math.max(
    0,
    ...Object.values(planesCd).flatMap((cd) =>
      cd.map((value, k) => -value * Math.cos(anglesDeg[k]! * RADIAN)),
    ),
  ) * 1.05;
