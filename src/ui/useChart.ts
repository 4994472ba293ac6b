'use client';
import { Chart, type ChartConfiguration } from 'chart.js';
import { useEffect, useRef } from 'react';
import { useDevice } from './device';

/** A theme's colour as Chart.js wants it. */
export type Ink = (token: string) => string;

/** An axis in the theme's inks, its unit in its title. */
export const axisIn = (ink: Ink, text: string) => ({
  title: { display: true, text, color: ink('--ink') },
  ticks: { color: ink('--ink-soft') },
  grid: { color: ink('--line') },
});

/** Draws a chart on a canvas and draws it again when its inputs or the theme change. */
export function useChart(make: (ink: Ink) => ChartConfiguration, inputs: readonly unknown[]) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { theme } = useDevice();
  useEffect(() => {
    const style = getComputedStyle(document.documentElement);
    // Letters as everywhere else, not the library's.
    Chart.defaults.font.family = style.getPropertyValue('--font-text');
    Chart.defaults.font.size = 13;
    const chart = new Chart(
      canvas.current!,
      make((token) => style.getPropertyValue(token).trim()),
    );
    return () => chart.destroy();
    // The caller names what its chart depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [theme, ...inputs]);
  return canvas;
}
