'use client';
import { useState } from 'react';
import type { Build } from '@/core/document/production';
import { shotOf } from '@/core/document/blank';
import {
  copiesToEqual,
  nearerToEqualM,
  type Contestant,
  type ContestRef,
} from '@/core/evaluate/contest';
import { JUDGED } from '@/core/location/use';
import { isoText } from '@/core/light/exposure';
import { FEATURES, type Feature } from '@/core/verdict/fixture';
import { moneyFormatter, show, showText, stopsInWords, type Dimension } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { StillFace } from '../records/StillFace';
import { TakeAway } from '../records/TakeAway';
import { useProduction } from '../store/context';
import { saveTable } from './saveTable';
import { useContestants, type Beside } from './useContestants';

/** More would not fit beside each other on a sheet. */
const MOST = 4;

/** Up to four builds and fixtures at one shot: faces at one level, figures with their differences from the first. */
export default function SideBySide({ build }: { build: Build }) {
  const document = useProduction((state) => state.document);
  const { builds, fixtures } = document;
  const [refs, setRefs] = useState<ContestRef[]>(() => [
    { kind: 'build', id: build.id },
    ...(build.fixtureId ? [{ kind: 'fixture' as const, id: build.fixtureId as string }] : []),
  ]);
  const shot = shotOf(document, build);
  const { lights, problem } = useContestants(document, build.shotId, refs);
  const person = JUDGED[shot.use].person;
  const choose = (at: number, value: string) => {
    const [kind, id] = value.split(' ') as [ContestRef['kind'], string];
    setRefs(value === '' ? refs.toSpliced(at, 1) : refs.toSpliced(at, 1, { kind, id }));
  };
  const names = lights.map(({ ref }) => nameOf(ref, document));
  const rows = useRows(lights, shot.isoSpeed, shot.distanceM);
  if (build.shotId === null)
    return <p className="p-4">Its shot was taken away: give it another.</p>;
  return (
    <section
      aria-label="Side by side"
      data-side={lights.every(({ found }) => found !== undefined) ? 'done' : 'working'}
      className="p-4"
    >
      {problem && <p role="alert">{problem}</p>}
      <table className="rows w-full table-fixed text-[14px]">
        <thead>
          <tr>
            <th scope="col" className="w-[150px]">
              At {shot.name}
            </th>
            {[...refs, ...(refs.length < MOST ? [null] : [])].map((ref, at) => (
              <th key={at} scope="col" className="!font-normal">
                <select
                  aria-label={ref ? `Light ${at + 1}` : 'One more light'}
                  className="field text-[14px] text-ink"
                  value={ref ? `${ref.kind} ${ref.id}` : ''}
                  onChange={(event) => choose(at, event.target.value)}
                >
                  <option value="">{ref ? 'take it out' : 'add one…'}</option>
                  <optgroup label="Builds">
                    {builds.map(({ id, name }) => (
                      <option key={id} value={`build ${id}`}>
                        {name}
                      </option>
                    ))}
                  </optgroup>
                  <optgroup label="Fixtures">
                    {fixtures.map(({ id, name }) => (
                      <option key={id} value={`fixture ${id}`}>
                        {name}
                      </option>
                    ))}
                  </optgroup>
                </select>
              </th>
            ))}
          </tr>
          {person && (
            <tr>
              <th scope="row">Face, all at one level</th>
              {lights.map(({ look }, at) => (
                <td key={at}>
                  <StillFace look={look} name={names[at]!} />
                </td>
              ))}
            </tr>
          )}
        </thead>
        <tbody>
          {rows.map(({ label, cells }) => (
            <tr key={label}>
              <th scope="row">{label}</th>
              {cells.map(({ words, note }, at) => (
                <td key={at}>
                  <span className="figure">{words}</span>
                  {note && <span className="block text-[12.5px] text-ink-soft">{note}</span>}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <TakeAway
        onCsv={() => saveTable(document, `side-by-side-${shot.name}`, ['', ...names], rows)}
      />
    </section>
  );
}

const nameOf = (
  { kind, id }: ContestRef,
  {
    builds,
    fixtures,
  }: { builds: readonly Build[]; fixtures: readonly { id: string; name: string }[] },
): string =>
  (kind === 'build' ? builds : fixtures).find((each) => each.id === id)?.name ?? 'deleted';

export interface SideRow {
  label: string;
  cells: { words: string; note?: string }[];
}

/** Every figure in words, and what it is against the first light. */
function useRows(lights: readonly Beside[], isoSpeed: number, distanceM: number): SideRow[] {
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const money = moneyFormatter(currency);
  const write = (value: number, dimension: Dimension) => showText(show(value, dimension, units));
  const first = lights[0]?.found ?? null;
  const row = (
    label: string,
    of: (light: Contestant, against: Contestant | null) => { words: string; note?: string },
  ): SideRow => ({
    label,
    cells: lights.map(({ found }, at) =>
      found === undefined
        ? { words: '…' }
        : found === null
          ? { words: 'no light' }
          : of(found, at > 0 ? first : null),
    ),
  });
  const signed = (value: number, text: string) => (value >= 0 ? `+${text}` : `−${text}`);
  return [
    row('Light', ({ judged }, than) => ({
      words: write(judged.lux, 'illuminance'),
      note: than
        ? `${signed(judged.stops - than.judged.stops, Math.abs(judged.stops - than.judged.stops).toFixed(1))} stops against the first, ± ${Math.hypot(judged.errorStops, than.judged.errorStops).toFixed(1)}`
        : `${stopsInWords(judged.stops)}, ± ${judged.errorStops}`,
    })),
    row('Where it comes from', ({ ref, judged, measured, corrected }) => ({
      words:
        ref.kind === 'fixture'
          ? 'data sheet'
          : `${judged.sure ? 'predicted' : 'estimated'}${corrected ? ', corrected by readings' : ''}`,
      note: measured.light
        ? `metered ${write(measured.light.value, 'illuminance')}${measured.light.simulated ? ', simulated meter' : ''}`
        : ref.kind === 'build'
          ? 'not metered'
          : undefined,
    })),
    row('To equal the first', ({ judged }, than) => {
      if (!than || judged.lux >= than.judged.lux) return { words: than ? 'enough' : '–' };
      const iso = (isoSpeed * than.judged.lux) / judged.lux;
      return {
        words: `${copiesToEqual(judged.lux, than.judged.lux)} of them`,
        note: `or at ${write(nearerToEqualM(judged.lux, than.judged.lux, distanceM), 'length')} as a point source, or ISO ${isoText(iso)}`,
      };
    }),
    row('Softness', ({ judged, like }) => ({
      words: `${Math.round(judged.angleDeg)}°${judged.separate ? ', several thin shadows' : ''}`,
      note: `${judged.separate ? 'wide as' : 'like'} ${like.name}, ${Math.round(like.angleDeg)}°`,
    })),
    row('Evenness', ({ judged }) => ({
      words:
        judged.evennessStops === null ? 'not stated' : `± ${judged.evennessStops.toFixed(2)} stops`,
    })),
    row('Colour', ({ judged }) => ({
      words: judged.cctK === null ? '–' : write(judged.cctK, 'colourTemperature'),
      note: `${Math.round(judged.miredOff)} mired off the shot’s`,
    })),
    row('CRI', ({ judged }) => ({
      words: judged.ra === null ? 'not stated' : String(Math.round(judged.ra)),
    })),
    row('Power', ({ judged }) => ({ words: write(judged.watts, 'power') })),
    row('Mass', ({ judged }) => ({
      words: judged.massKg === null ? 'not stated' : write(judged.massKg, 'mass'),
    })),
    row('To spend', ({ judged }, than) => ({
      words: `${judged.unpriced > 0 ? 'from ' : ''}${money(judged.nowMinor)}`,
      note: than
        ? `${signed(judged.nowMinor - than.judged.nowMinor, money(Math.abs(judged.nowMinor - than.judged.nowMinor)))} against the first`
        : undefined,
    })),
    row('In full', ({ judged }) => ({
      words: `${judged.unpriced > 0 ? 'from ' : ''}${money(judged.fullMinor)}`,
    })),
    row('Hours of making', ({ judged }) => ({ words: `${judged.hours.toFixed(1)} h` })),
    row('Refused by', ({ stops }) => ({
      words: stops.length === 0 ? 'nothing' : stops.join('; '),
    })),
    row('What it gives up', (light) => ({ words: lacking(light, lights) })),
  ];
}

/** What another of them does and this one does not. */
function lacking({ features, ref }: Contestant, lights: readonly Beside[]): string {
  const theirs = lights.flatMap(({ found }) => found?.features ?? []);
  const lost = (Object.keys(FEATURES) as Feature[]).filter(
    (each) => theirs.includes(each) && !features.includes(each),
  );
  if (lost.length === 0)
    return ref.kind === 'fixture' ? 'nothing the others do' : 'nothing on their sheets';
  return lost.map((each) => FEATURES[each].replace(/^is /, 'being ')).join('; ');
}
