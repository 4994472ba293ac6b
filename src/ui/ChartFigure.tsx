'use client';

interface ChartFigureProps {
  canvas: React.RefObject<HTMLCanvasElement | null>;
  /** what the chart shows, for those who hear it */
  label: string;
  /** of the drawing */
  className?: string;
  caption?: React.ReactNode;
  /** the same figures as a table; the chart says that they are there */
  table?: React.ReactNode;
}

/** A chart with its words: what it shows, the same figures as a table, and what to know of them. */
export function ChartFigure({ canvas, label, className, caption, table }: ChartFigureProps) {
  return (
    <figure>
      <div className={`relative ${className ?? 'h-[300px]'}`}>
        <canvas ref={canvas} role="img" aria-label={label} />
      </div>
      {table && (
        <details className="text-sm">
          <summary>As a table</summary>
          {table}
        </details>
      )}
      {caption && <figcaption className="text-[13px] text-ink-soft">{caption}</figcaption>}
    </figure>
  );
}
