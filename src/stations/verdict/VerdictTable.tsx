'use client';
import { toDegrees } from '@/core/angle';
import { cctCss } from '@/core/colour/display';
import { shotOf } from '@/core/document/blank';
import { JUDGED } from '@/core/location/use';
import type { Build } from '@/core/document/production';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { isoText } from '@/core/light/exposure';
import type { Readout } from '@/core/evaluate/readout';
import { ORIGIN_WORDS } from '@/core/origin';
import { moneyFormatter, show, showText, type Dimension } from '@/core/quantity';
import { featureWords, type Comparison } from '@/core/verdict/compare';
import type { Fixture } from '@/core/verdict/fixture';
import { useDevice } from '@/ui/device';
import { useProduction } from '../store/context';

interface VerdictTableProps {
  build: Build;
  readouts: WorkedOut;
  fixture: Fixture;
  comparison: Comparison;
}

/** A fixture's label is its data sheet. */
const ORIGIN: Record<Fixture['origin'], string> = { ...ORIGIN_WORDS, label: 'data sheet' };

/** Side by side at the same place; then what makes them equal, and what the build cannot do. */
export function VerdictTable({ build, readouts, fixture, comparison }: VerdictTableProps) {
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const money = moneyFormatter(currency);
  const rung = (id: Readout['id']) => readouts.rungs.find((each) => each.id === id);
  const write = (value: number | null | undefined, dimension: Dimension) =>
    value === null || value === undefined ? '–' : showText(show(value, dimension, units));
  const { purchase } = readouts;
  // What nobody has told a price of counts as nothing in the sums.
  const own = (minor: number) => (purchase.unpriced > 0 ? `from ${money(minor)}` : money(minor));
  const sum = (minor: Known) => (minor === null || minor === undefined ? '–' : money(minor));
  const perLx = (minor: number | null, write = money) =>
    minor === null ? '–' : `${write(minor)}/lx`;
  const { use } = useProduction(({ document }) => shotOf(document, build));
  const evenness = JUDGED[use].by.includes('evenness') && !JUDGED[use].by.includes('softness');
  const softness = toDegrees(rung('softness')?.value ?? 0);
  const rows: Row[] = [
    row('Light at the subject', [rung('light')?.value, comparison.fixtureLx], (lux) =>
      write(lux, 'illuminance'),
    ),
    row(
      'Softness',
      [softness, comparison.fixtureAngleDeg],
      (angle) => `${Math.round(angle ?? 0)}°`,
    ),
    ...(evenness
      ? [
          {
            label: 'Evenness over the coverage',
            words: [
              readouts.evenness ? `± ${readouts.evenness.plusMinusStops.toFixed(2)} stops` : '–',
              'not stated',
            ] as const,
          },
        ]
      : []),
    {
      label: 'Colour',
      words: [write(readouts.cctK, 'colourTemperature'), write(fixture.cctK, 'colourTemperature')],
      swatches: [readouts.cctK, fixture.cctK],
    },
    {
      ...row('CRI', [readouts.criRa, fixture.criRa], whole, 100),
      words: [whole(readouts.criRa), fixture.criRa === null ? 'not stated' : whole(fixture.criRa)],
    },
    row('Power', [rung('power')?.value, fixture.wattsW], (watts) => write(watts, 'power')),
    {
      label: 'Hours of making',
      words: [
        `${(readouts.steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60).toFixed(1)} h`,
        '–',
      ],
    },
    row('Mass', [readouts.massKg, fixture.massKg], (kg) => write(kg, 'mass')),
    {
      ...row('Money in full', [purchase.fullPerLightMinor, fixture.priceMinor], sum),
      words: [own(purchase.fullPerLightMinor), money(fixture.priceMinor)],
    },
    {
      ...row('Money still to spend', [purchase.spentNowMinor, fixture.priceMinor], sum),
      words: [own(purchase.spentNowMinor), money(fixture.priceMinor)],
    },
    {
      ...row('Money for each lux', [comparison.minorPerLx, comparison.fixtureMinorPerLx], sum),
      words: [perLx(comparison.minorPerLx, own), perLx(comparison.fixtureMinorPerLx)],
    },
  ];
  return (
    <section aria-label="Side by side">
      <table className="rows w-full text-[14px]">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">What is compared</span>
            </th>
            <th scope="col" className="num">
              {build.name}
            </th>
            <th scope="col" className="num !whitespace-normal">
              fixture, {ORIGIN[fixture.origin]}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ label, words, shares, swatches }) => (
            <tr key={label}>
              <th scope="row" className="whitespace-nowrap">
                {label}
              </th>
              {words.map((said, at) => (
                <td key={at} className="num">
                  {said}
                  {shares && <Bar share={shares[at]!} ink={INKS[at]!} />}
                  {swatches && <Swatch cctK={swatches[at]!} />}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <Equal comparison={comparison} write={write} />
    </section>
  );
}

interface Row {
  label: string;
  /** of the build and of the fixture */
  words: readonly [string, string];
  /** how long their bars are, 0…1; null where nothing is known */
  shares?: readonly (number | null)[];
  /** kelvins to show as colours */
  swatches?: readonly (number | null)[];
}

type Known = number | null | undefined;

/** Two numbers side by side, their bars as shares of the greater or of a full scale. */
function row(
  label: string,
  values: readonly [Known, Known],
  write: (value: Known) => string,
  full = Math.max(values[0] ?? 0, values[1] ?? 0),
): Row {
  return {
    label,
    words: [write(values[0]), write(values[1])],
    shares: values.map((value) =>
      value === null || value === undefined || full <= 0 ? null : value / full,
    ),
  };
}

/** A whole number, where there is one. */
const whole = (value: Known): string =>
  value === null || value === undefined ? '–' : String(Math.round(value));

/** As their lines in the chart beside. */
const INKS = ['var(--brass)', 'var(--ink)'];

const Bar = ({ share, ink }: { share: number | null; ink: string }) => (
  <span aria-hidden className="mt-0.5 mb-0.5 flex h-[5px] justify-end bg-line/60">
    {share !== null && (
      <span data-share={share.toFixed(3)} style={{ width: `${100 * share}%`, background: ink }} />
    )}
  </span>
);

const Swatch = ({ cctK }: { cctK: number | null }) => (
  <span
    aria-hidden
    className="mt-0.5 mb-0.5 block h-[6px] border border-line-strong"
    style={{ background: cctK === null ? 'transparent' : cctCss(cctK) }}
  />
);

function Equal({
  comparison,
  write,
}: {
  comparison: Comparison;
  write: (value: number | null, dimension: Dimension) => string;
}) {
  const { copiesToEqual, distanceToEqualM, isoToEqual, lacks, breakEvenDays, stops } = comparison;
  return (
    <div className="mt-3 grid grid-cols-2 gap-4 text-sm max-md:grid-cols-1">
      <div>
        <h2 className="text-base">What makes it equal</h2>
        <ul className="list-disc pl-5">
          {stops < 0 && copiesToEqual !== null && <li>{copiesToEqual} of them side by side</li>}
          {stops < 0 && (
            <li>
              {distanceToEqualM === null
                ? 'No distance: it never reaches that level'
                : `One at ${write(distanceToEqualM, 'length')}`}
            </li>
          )}
          {stops >= 0 && <li>It gives as much already</li>}
          {isoToEqual !== null && <li>For this shot’s f-number: ISO {isoText(isoToEqual)}</li>}
          {breakEvenDays !== null && (
            <li>{breakEvenDays} hire days of the fixture cost what you still spend</li>
          )}
        </ul>
      </div>
      <div>
        <h2 className="text-base">What the fixture does that this does not</h2>
        <ul className="list-disc pl-5">
          {lacks.length === 0 && <li>Nothing on its list</li>}
          {lacks.map((feature) => (
            <li key={feature}>It {featureWords(feature)}</li>
          ))}
        </ul>
      </div>
    </div>
  );
}
