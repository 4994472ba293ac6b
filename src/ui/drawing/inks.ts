import type { PenLayer } from '@/core/drawing/drawing';

/** How each layer is inked on screen, as a maker's drawing would be. */
export const INKS: Record<PenLayer, React.SVGProps<SVGGElement>> = {
  cut: { stroke: 'var(--ink)', strokeWidth: 2.2, fill: 'none' },
  drill: { stroke: 'var(--ink)', strokeWidth: 0.8, fill: 'none' },
  score: { stroke: 'var(--ink)', strokeWidth: 1, fill: 'none', strokeDasharray: '10 5' },
  mark: { stroke: 'var(--ink-soft)', strokeWidth: 0.8, fill: 'none' },
  tape: { stroke: 'var(--tape)', strokeWidth: 3, fill: 'none' },
  part: { stroke: 'var(--ink)', strokeWidth: 1.2, fill: 'var(--sheet)' },
  cord: { stroke: 'var(--brass)', strokeWidth: 2.4, fill: 'none' },
  glass: { stroke: 'var(--brass)', strokeWidth: 1.2, fill: 'var(--glass)', fillOpacity: 0.75 },
  hidden: { stroke: 'var(--ink-soft)', strokeWidth: 1.2, fill: 'none', strokeDasharray: '6 4' },
  centre: {
    stroke: 'var(--ink-soft)',
    strokeWidth: 0.9,
    fill: 'none',
    strokeDasharray: '14 3 3 3',
  },
};
