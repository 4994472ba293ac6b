'use client';
import {
  BubbleController,
  Chart,
  LinearScale,
  LogarithmicScale,
  PointElement,
  Tooltip,
} from 'chart.js';
import { cctCss } from '@/core/colour/display';
import { type Shot } from '@/core/location/shot';
import { CRI_GATE } from '@/core/location/use';
import { moneyFormatter } from '@/core/quantity';
import { COLOUR_TOLERANCE_MIRED, rankShelf, type Ranked } from '@/core/shelf/ranking';
import { Heads } from '@/ui/Heads';
import { ChartFigure } from '@/ui/ChartFigure';
import { axisIn, useChart } from '@/ui/useChart';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';

Chart.register(BubbleController, PointElement, LinearScale, LogarithmicScale, Tooltip);

/** Radius in pixels of so many lumens: area follows the light. */
const radius = (lumens: number) => Math.min(22, Math.max(4, Math.sqrt(lumens) / 3.2));

/** Money for light against colour rendering: what the shelf holds, and what the shot asks. */
export default function CompareSheet() {
  const document = useProduction((state) => state.document);
  const { shotId, readouts } = useWorkplace();
  const shot = document.shots.find(({ id }) => id === shotId) ?? null;
  const neededLm =
    readouts && readouts.targetShare > 0 ? readouts.sentLm / readouts.targetShare : null;
  const rows = rankShelf(document.shelf, shot, neededLm);
  const money = moneyFormatter(document.currency);
  return (
    <div className="py-2">
      <p className="text-[13px] text-ink-soft">
        {shot
          ? `For “${shot.name}”: Ra at least ${CRI_GATE[shot.use]}, within ${COLOUR_TOLERANCE_MIRED} mired of ${shot.cctK} K${shot.budgetMinor !== null && neededLm ? `, at most ${money(Math.round((shot.budgetMinor / neededLm) * 1000))} per klm for the ${Math.round(neededLm)} lm this light would need` : ''}. A thick edge marks what meets all of it; colour and area are those of its light.`
          : 'Choose a shot, and what it asks of a unit is drawn in.'}
      </p>
      <Bubbles rows={rows} shot={shot} currency={document.currency} />
      <table className="rows tight w-full text-[13px]">
        <Heads
          of={[
            'Unit',
            { figures: 'per klm' },
            { figures: 'CRI' },
            { figures: 'lm' },
            { figures: 'K' },
            'against it',
          ]}
        />
        <tbody>
          {rows.map((row) => (
            <tr key={row.id} data-ranked={row.id}>
              <td>{row.name}</td>
              <td className="num">
                {row.minorPerKilolumen === null
                  ? 'no price'
                  : money(Math.round(row.minorPerKilolumen))}
              </td>
              <td className="num">{Math.round(row.criRa)}</td>
              <td className="num">{Math.round(row.luminousFluxLm)}</td>
              <td className="num">{Math.round(row.cctK)}</td>
              <td>
                {row.against.join('; ') || 'nothing'}
                {row.typical && <span className="text-ink-soft"> (figures typical)</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface BubblesProps {
  rows: readonly Ranked[];
  shot: Shot | null;
  currency: string;
}

function Bubbles({ rows: all, shot, currency }: BubblesProps) {
  const rows = all.flatMap((row) =>
    row.minorPerKilolumen === null ? [] : [{ ...row, minorPerKilolumen: row.minorPerKilolumen }],
  );
  const money = moneyFormatter(currency);
  const canvas = useChart(
    (ink) => ({
      type: 'bubble',
      data: {
        datasets: [
          {
            data: rows.map((row) => ({
              x: row.criRa,
              y: row.minorPerKilolumen / 100,
              r: radius(row.luminousFluxLm),
            })),
            backgroundColor: rows.map((row) => cctCss(row.cctK)),
            borderColor: rows.map((row) => ink(row.against.length ? '--ink-soft' : '--brass')),
            borderWidth: rows.map((row) => (row.against.length ? 1 : 3.5)),
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: { type: 'linear', min: 40, max: 102, ...axisIn(ink, 'colour rendering, Ra') },
          y: { type: 'logarithmic', ...axisIn(ink, `money per 1000 lm, ${currency}`) },
        },
        plugins: {
          legend: { display: false },
          tooltip: {
            callbacks: {
              label: ({ dataIndex }) => {
                const row = rows[dataIndex]!;
                return `${row.name}: ${money(Math.round(row.minorPerKilolumen))} per klm, Ra ${Math.round(row.criRa)}`;
              },
            },
          },
        },
      },
      plugins: shot
        ? [
            {
              id: 'gate',
              // The shot's least Ra, as a line across the paper.
              afterDatasetsDraw: ({ ctx, chartArea, scales }) => {
                const x = scales.x!.getPixelForValue(CRI_GATE[shot.use]);
                ctx.save();
                ctx.strokeStyle = ink('--look');
                ctx.setLineDash([6, 4]);
                ctx.beginPath();
                ctx.moveTo(x, chartArea.top);
                ctx.lineTo(x, chartArea.bottom);
                ctx.stroke();
                ctx.fillStyle = ink('--look');
                ctx.font = '12px sans-serif';
                ctx.textAlign = 'right';
                ctx.fillText(`Ra ${CRI_GATE[shot.use]} for this shot`, x - 5, chartArea.top + 12);
                ctx.restore();
              },
            },
          ]
        : [],
    }),
    [rows, shot, currency],
  );
  return (
    <ChartFigure
      canvas={canvas}
      className="h-[300px]"
      label="Money per thousand lumens against colour rendering; the table below holds the same figures"
    />
  );
}
