'use client';
import { toDegrees } from '@/core/angle';
import { shotOf } from '@/core/document/blank';
import type { Build } from '@/core/document/production';
import type { WorkedOut } from '@/core/evaluate/readouts';
import type { Wash } from '@/core/light/wash';
import { setupOfWash } from '@/core/set/begin';
import { atHand } from '../set/atHand';
import { show, showText, threeFigures, toUnit } from '@/core/quantity';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { exportName } from '../shell/actions';
import { useEngine } from '../shell/useEngine';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction } from '../store/context';
import { useSetups } from '../set/useSetups';
import { StopsMap } from './StopsMap';

const LINES = [-2, -1, -0.5, -1 / 3, 1 / 3, 0.5, 1];

/** Light over the shot's coverage, and where one or two such lights would stand best. */
export default function BackdropSheet({ build, readouts }: { build: Build; readouts: WorkedOut }) {
  const { units } = useDevice();
  const document = useProduction((state) => state.document);
  const { transport } = useWorkplace();
  const shot = shotOf(document, build);
  const setups = useSetups();
  const known = (readouts.room && transport.known.get(readouts.room.key)) ?? null;
  const { answer, busy } = useEngine(
    (engine) => engine.backdrop(document, build.id, known),
    [document, build.id, known],
  );
  if (!answer)
    return (
      <p className="p-4" role="status">
        Lighting the backdrop…
      </p>
    );
  const { map } = answer;
  const putUp = (wash: Wash) =>
    setups.put(`${shot.name}, washed by ${wash.lights === 1 ? 'one' : 'two'}`, (begun) =>
      setupOfWash({ ...begun, shot }, atHand(build), wash),
    );
  const unit = units === 'metric' ? 'lx' : 'fc';
  const size = `${showText(show(shot.coverageWidthM, 'length', units))} × ${showText(show(shot.coverageHeightM, 'length', units))}`;
  return (
    <div className="grid gap-3" aria-busy={busy}>
      <StopsMap
        title={`${size} at ${showText(show(shot.distanceM, 'length', units))}, in ${unit}: ± ${threeFigures(map.plusMinusStops)} stops`}
        values={map.cellsLx}
        columns={map.columns}
        rows={map.rows}
        reference={map.meanLx}
        scaleWords="against the mean"
        lines={LINES}
        aspect={shot.coverageWidthM / shot.coverageHeightM}
        fileName={exportName(document, 'backdrop', 'png')}
        write={(lx) => threeFigures(toUnit(lx, 'illuminance', unit))}
      />
      <section>
        <h2 className="text-[15px]">Best places found for this backdrop</h2>
        <table className="rows tight w-full text-[13px]">
          <Heads
            of={[
              'Lights',
              { figures: 'From the backdrop' },
              { figures: 'Apart' },
              { figures: 'Turned in' },
              { figures: 'Mean light' },
              { figures: 'Evenness' },
              '',
            ]}
          />
          <tbody>
            {[answer.one, answer.two].map((wash) => (
              <Place
                key={wash.lights}
                wash={wash}
                allowed={shot.evennessStops}
                onPutUp={() => putUp(wash)}
              />
            ))}
          </tbody>
        </table>
        <p className="text-[12.5px] text-ink-soft">
          Searched, not guessed: of the places within ± {shot.evennessStops} stops the brightest; of
          none, the most even. Lights stand level with the middle, at most one and a half widths
          away.
        </p>
      </section>
    </div>
  );
}

interface PlaceProps {
  wash: Wash;
  allowed: number;
  onPutUp: () => void;
}

function Place({ wash, allowed, onPutUp }: PlaceProps) {
  const { units } = useDevice();
  const length = (metres: number) => showText(show(metres, 'length', units));
  return (
    <tr data-wash={wash.lights}>
      <td>{wash.lights === 1 ? 'one' : 'two alike'}</td>
      <td className="num">{length(wash.distanceM)}</td>
      <td className="num">{wash.lights === 1 ? '–' : length(wash.spacingM)}</td>
      <td className="num">
        {wash.lights === 1 ? '–' : `${Math.round(toDegrees(wash.toeInRad))}°`}
      </td>
      <td className="num">{showText(show(wash.meanLx, 'illuminance', units))}</td>
      <td className="num">
        ± {wash.plusMinusStops.toFixed(2)} stops
        {wash.plusMinusStops > allowed + 1e-9 ? ', not enough' : ''}
      </td>
      <td className="num">
        <button
          type="button"
          className="press font-text !px-2 !py-0"
          aria-label="Put up in Set"
          title="A room with the backdrop and the light so placed, in Set"
          onClick={onPutUp}
        >
          Put up
        </button>
      </td>
    </tr>
  );
}
