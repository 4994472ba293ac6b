'use client';
import {
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { shotOf } from '@/core/document/blank';
import { WISH_RECORD } from '@/core/location/wishes';
import type { Shot } from '@/core/location/shot';
import { formatMoney, minorDigits } from '@/core/quantity';
import { breakEvenDays, costAfter, type Counting, type WayCost } from '@/core/verdict/breakEven';
import { ChartFigure } from '@/ui/ChartFigure';
import { Heads } from '@/ui/Heads';
import { axisIn, useChart } from '@/ui/useChart';
import type { AtHand } from '../build/WithBuild';
import { RecordFields } from '../records/RecordFields';
import { TakeAway } from '../records/TakeAway';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { FixtureChoice } from './FixtureChoice';
import { saveTable } from './saveTable';

Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend);

const ASKED = ['days', 'rateMinorPerHour', 'minorPerKwh', 'hoursADay', 'resale'];
const INKS = ['--brass', '--ink', '--look', '--ok'];
const DASHES = [[], [9, 4], [3, 4], [9, 3, 2, 3]];

interface Way {
  name: string;
  cost: WayCost;
}

/** What a light costs over the days of a shoot, made, bought, hired or borrowed. */
export default function WaysSheet({ build, readouts }: AtHand) {
  const document = useProduction((state) => state.document);
  const edits = useEdits();
  const shot = shotOf(document, build);
  const fixture =
    document.fixtures.find(({ id }) => id === build.fixtureId) ?? document.fixtures[0];
  if (!fixture)
    return <p className="p-4">There is no fixture to hire or buy: add one to the list.</p>;
  const { wishes } = shot;
  const counting: Counting = wishes;
  const { purchase, steps, rungs } = readouts;
  const watts = rungs.find(({ id }) => id === 'power')?.value ?? 0;
  const hours = steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60;
  const { priceMinor, hirePerDayMinor, wattsW } = fixture;
  const ways: Way[] = [
    {
      name: 'build it',
      // One of the copies, as it is one fixture.
      cost: {
        onceMinor: purchase.spentNowMinor / build.copies,
        hours,
        perDayMinor: 0,
        watts,
        resale: 0,
      },
    },
    ...(priceMinor > 0
      ? [
          {
            name: 'buy the fixture',
            cost: {
              onceMinor: priceMinor,
              hours: 0,
              perDayMinor: 0,
              watts: wattsW,
              resale: wishes.resale,
            },
          },
        ]
      : []),
    ...(hirePerDayMinor === null
      ? []
      : [
          {
            name: 'hire it',
            cost: {
              onceMinor: 0,
              hours: 0,
              perDayMinor: hirePerDayMinor,
              watts: wattsW,
              resale: 0,
            },
          },
        ]),
    {
      name: 'borrow it',
      cost: { onceMinor: 0, hours: 0, perDayMinor: 0, watts: wattsW, resale: 0 },
    },
  ];
  const money = (minor: number) => formatMoney(Math.round(minor), document.currency);
  const change = (label: string, set: (target: Shot['wishes']) => void) =>
    edits.record('shot', shot.id, `${label} of ${shot.name}`, (target) => set(target.wishes));
  const spans = [...new Set([1, 3, wishes.days, 30])].toSorted((a, b) => a - b);
  const heads = spans.map((days) => `${days} ${days === 1 ? 'day' : 'days'}`);
  const rows = ways.map(({ name, cost }) => ({
    label: name,
    cells: spans.map((days) => ({
      words: money(costAfter(cost, days, counting)),
    })),
  }));
  return (
    <section
      aria-label="Build, buy, hire or borrow"
      className="grid grid-cols-[minmax(0,1fr)_260px] gap-6 p-4 max-md:grid-cols-1"
    >
      <div className="min-w-0">
        <ul className="mb-2 font-display text-[18px] leading-snug" data-break-even>
          {sentences(ways, counting).map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
        <WaysChart
          ways={ways}
          counting={counting}
          days={wishes.days}
          currency={document.currency}
        />
        <table className="rows mt-2 w-full text-[14px]">
          <Heads of={['way', ...heads.map((figures) => ({ figures }))]} />
          <tbody>
            {rows.map(({ label, cells }) => (
              <tr key={label} data-way={label}>
                <th scope="row">{label}</th>
                {cells.map(({ words }, k) => (
                  <td key={k} className="num">
                    {words}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-2 text-[13px] text-ink-soft">
          Cost = money once × (1 − what it is sold for) + hours × rate + days × (hire + kW × hours a
          day × price of a kWh).{' '}
          {purchase.unpriced > 0 &&
            'Some of the build has no price yet: its line is a lower bound. '}
          Deposits, transport, insurance and repairs are not in it; borrowed still means to bring it
          back.
        </p>
      </div>
      <div className="grid content-start gap-2">
        <FixtureChoice build={build} fixture={fixture} label="Bought or hired" />
        {build.shotId !== null && (
          <RecordFields
            fields={WISH_RECORD.fields.filter(({ field }) => ASKED.includes(field))}
            record={wishes}
            onChange={change}
          />
        )}
        <TakeAway
          onCsv={() => saveTable(document, `ways-${build.name}`, ['way', ...heads], rows)}
        />
      </div>
    </section>
  );
}

/** When the build has paid for itself. */
function sentences(ways: readonly Way[], counting: Counting): string[] {
  const [made, ...others] = ways as [Way, ...Way[]];
  return others
    .filter(({ name }) => name !== 'borrow it')
    .map(({ name, cost }) => {
      const days = breakEvenDays(made.cost, cost, counting);
      const than = name === 'hire it' ? 'hiring' : 'buying';
      if (days === null) return `Building never catches up with ${than}.`;
      if (days === 0) return `Building costs no more than ${than} from the first day.`;
      const whole = Math.ceil(days - 1e-9);
      return `Building costs no more than ${than} from day ${whole} on.`;
    });
}

function WaysChart({
  ways,
  counting,
  days,
  currency,
}: {
  ways: readonly Way[];
  counting: Counting;
  days: number;
  currency: string;
}) {
  const most = Math.max(10, Math.ceil(days * 1.5));
  const unit = 10 ** minorDigits(currency);
  const canvas = useChart(
    (ink) => ({
      type: 'line',
      data: {
        datasets: ways.map(({ name, cost }, k) => ({
          label: name,
          data: [0, most].map((x) => ({ x, y: costAfter(cost, x, counting) / unit })),
          borderColor: ink(INKS[k]!),
          backgroundColor: ink(INKS[k]!),
          borderDash: DASHES[k],
          borderWidth: 2,
          pointRadius: 0,
        })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: { type: 'linear', min: 0, max: most, ...axisIn(ink, 'shoot days') },
          y: { type: 'linear', min: 0, ...axisIn(ink, `cost so far, ${currency}`) },
        },
        plugins: { legend: { labels: { color: ink('--ink'), boxHeight: 1 } } },
      },
    }),
    [JSON.stringify([ways, counting, most, currency])],
  );
  return (
    <ChartFigure
      canvas={canvas}
      className="h-[clamp(220px,38vh,420px)]"
      label="Cost of every way against shoot days; the table below holds figures of the same lines"
    />
  );
}
