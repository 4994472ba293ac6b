'use client';
import { toDegrees } from '@/core/angle';
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
  const degrees = (angle: number) => `${Math.round(angle)}°`;
  const angle = rung('softness')?.value ?? 0;
  const { purchase } = readouts;
  // What nobody has told a price of counts as nothing in the sums.
  const own = (minor: number) => (purchase.unpriced > 0 ? `from ${money(minor)}` : money(minor));
  const perLx = (minor: number | null, write = money) =>
    minor === null ? '–' : `${write(minor)}/lx`;
  const rows: [string, string, string][] = [
    [
      'Light at the subject',
      write(rung('light')?.value, 'illuminance'),
      write(comparison.fixtureLx, 'illuminance'),
    ],
    ['Softness', degrees(toDegrees(angle)), degrees(comparison.fixtureAngleDeg)],
    ['Colour', write(readouts.cctK, 'colourTemperature'), write(fixture.cctK, 'colourTemperature')],
    ['CRI', criOf(readouts), fixture.criRa === null ? 'not stated' : String(fixture.criRa)],
    ['Power', write(rung('power')?.value, 'power'), write(fixture.wattsW, 'power')],
    ['Mass', write(readouts.massKg, 'mass'), write(fixture.massKg, 'mass')],
    ['Money in full', own(purchase.fullPerLightMinor), money(fixture.priceMinor)],
    ['Money still to spend', own(purchase.spentNowMinor), money(fixture.priceMinor)],
    ['Money for each lux', perLx(comparison.minorPerLx, own), perLx(comparison.fixtureMinorPerLx)],
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
          {rows.map(([label, mine, theirs]) => (
            <tr key={label}>
              <th scope="row" className="whitespace-nowrap">
                {label}
              </th>
              <td className="num">{mine}</td>
              <td className="num">{theirs}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Equal comparison={comparison} write={write} />
    </section>
  );
}

/** The least colour rendering among the bulbs, from the colour findings' own source: the shelf. */
function criOf(readouts: WorkedOut): string {
  return readouts.criRa === null ? '–' : String(Math.round(readouts.criRa));
}

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
