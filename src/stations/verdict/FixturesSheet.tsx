'use client';
import { useMemo } from 'react';
import { shotOf } from '@/core/document/blank';
import type { Build } from '@/core/document/production';
import { missesOf, type Judged } from '@/core/evaluate/search/judged';
import { questionOf } from '@/core/evaluate/search/question';
import { judgedFixture } from '@/core/evaluate/search/things';
import { missWords } from '@/core/evaluate/search/words';
import { JUDGED } from '@/core/location/use';
import type { Fixture } from '@/core/verdict/fixture';
import { softLike } from '@/core/verdict/softLike';
import { formatMoney, show, showText, stopsInWords } from '@/core/quantity';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

/** Wishes about money and making say nothing of whether a fixture’s light meets the shot. */
const OF_LIGHT = ['light', 'softness', 'evenness', 'colour', 'cri'];

/** Every fixture of the list at this shot: which meet it, and what keeps the others out. */
export default function FixturesSheet({
  build,
  onCompare,
}: {
  build: Build;
  onCompare: () => void;
}) {
  const document = useProduction((state) => state.document);
  const { derivations } = useWorkplace();
  const { units } = useDevice();
  const edits = useEdits();
  const shot = shotOf(document, build);
  const rows = useMemo(() => {
    const question = questionOf(document, shot.id, derivations);
    if (!question) return [];
    return document.fixtures
      .map((fixture) => {
        const judged = judgedFixture(fixture, 'buy', question);
        const misses = missesOf(judged, question).filter(({ wish }) => OF_LIGHT.includes(wish));
        return { fixture, judged, misses };
      })
      .toSorted(
        (a, b) => a.misses.length - b.misses.length || a.fixture.priceMinor - b.fixture.priceMinor,
      );
  }, [document, shot.id, derivations]);
  const writing = { currency: document.currency, units };
  const compare = (fixture: Fixture) => {
    edits.record('build', build.id, `fixture of ${build.name}`, (target) => {
      target.fixtureId = fixture.id;
    });
    onCompare();
  };
  const meets = rows.filter(({ misses }) => misses.length === 0).length;
  return (
    <section aria-label="Fixtures for the shot" className="p-4">
      <p className="mb-2" data-meets={meets}>
        {meets} of {rows.length} fixtures meet {shot.name}: light, colour, CRI
        {JUDGED[shot.use].by.map((each) => `, ${each}`).join('')}.
      </p>
      <table className="rows w-full text-[14px]">
        <Heads
          of={[
            'fixture',
            'light',
            'softness',
            { figures: 'CRI' },
            { figures: 'price' },
            { figures: 'hire a day' },
            'the shot',
            '',
          ]}
        />
        <tbody>
          {rows.map(({ fixture, judged, misses }) => (
            <tr key={fixture.id} data-fixture={fixture.id} data-met={misses.length === 0}>
              <th scope="row">{fixture.name}</th>
              <td>
                {showText(show(judged.lux, 'illuminance', units))}
                <span className="block text-[12.5px] text-ink-soft">
                  {stopsInWords(judged.stops)}
                </span>
              </td>
              <Softness judged={judged} />
              <td className="num">{judged.ra ?? '–'}</td>
              <td className="num">
                {fixture.priceMinor > 0 ? formatMoney(fixture.priceMinor, document.currency) : '–'}
              </td>
              <td className="num">
                {fixture.hirePerDayMinor === null
                  ? '–'
                  : formatMoney(fixture.hirePerDayMinor, document.currency)}
              </td>
              <td>
                {misses.length === 0
                  ? 'meets it'
                  : misses.map(({ wish }) => missWords(judged, wish, { shot }, writing)).join('; ')}
              </td>
              <td>
                <button type="button" className="press" onClick={() => compare(fixture)}>
                  Compare<span className="sr-only"> with {fixture.name}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === 0 && <p>No fixture is on the list yet.</p>}
    </section>
  );
}

const Softness = ({ judged }: { judged: Judged }) => (
  <td>
    {Math.round(judged.angleDeg)}°
    <span className="block text-[12.5px] text-ink-soft">like {softLike(judged.angleDeg).name}</span>
  </td>
);
