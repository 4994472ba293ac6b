'use client';
import { writeEulumdat } from '@/core/formats/eulumdat';
import { writeIes } from '@/core/formats/ies';
import type { Photometry } from '@/core/formats/photometric';
import { photometryOf, type OfTheUnit } from '@/core/meter/photometry';
import type { Result } from '@/core/result';
import type { Session } from '@/core/meter/session';
import type { BeamWidth } from '@/core/meter/sweep';
import { isSimulated, learnt, type SweepResult } from '@/core/meter/working';
import { threeFigures } from '@/core/quantity';
import { SPREAD_NAMES, type Spread } from '@/core/units/spread';
import type { Unit } from '@/core/units/unit';
import { download, exportName } from '../shell/actions';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { Deviation } from './Deviation';
import type { Swept } from './useSwept';

interface SweepFiguresProps {
  session: Session;
  worked: Result<SweepResult>;
  swept: Swept;
}

const spreadText = (spread: Spread): string =>
  spread.class === 'reflector'
    ? `a reflector of ${spread.beamAngleDeg}°`
    : SPREAD_NAMES[spread.class];

const widthText = ({ deg, closed }: BeamWidth): string =>
  closed ? `${deg.toFixed(0)}°` : `over ${deg.toFixed(0)}°`;

/** What a sweep says, each figure with its error, beside what the shelf says. */
export function SweepFigures({ session, worked, swept }: SweepFiguresProps) {
  const { unit, forecast } = swept;
  if (!worked.ok)
    return (
      <p role="status" className="text-[14px] text-ink-soft" data-swept="not yet">
        {worked.problems[0]!.message}
      </p>
    );
  const { sweep, nearest, notes, parts, deviationLm, shareAtPeak } = worked.value;
  const { luminousFluxLm: lumens, stepErrorLm, peakCd, peakDeg, coveredDeg, beams } = sweep;
  const { offAxis, hollow, lopsided } = sweep.shape;
  return (
    <div data-swept="yes">
      <p className="text-[13px] text-ink-soft">
        {isSimulated(session) ? 'Simulated readings' : 'Metered'}, within {coveredDeg}° of the axis
      </p>
      <p className="figure text-[26px] leading-tight" data-lumens={Math.round(lumens)}>
        {threeFigures(lumens)} lm{' '}
        <span className="text-[16px] text-ink-soft">± {threeFigures(2 * deviationLm)}</span>
      </p>
      {forecast && (
        <Deviation
          measured={lumens}
          forecast={forecast.lumensWithin(coveredDeg)}
          share={Math.hypot(deviationLm / lumens, forecast.share)}
          unit="lm"
          origin={forecast.origin}
          lookAt={`the distance first, then at ${unit ? 'the label' : 'its lamps and layers'}`}
        />
      )}
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5 text-[14px]">
        <dt>Peak{offAxis || hollow ? `, ${Math.abs(peakDeg)}° off the axis` : ''}</dt>
        <dd className="figure text-right">
          {threeFigures(peakCd)} cd ± {Math.round(200 * shareAtPeak)} %
        </dd>
        {beams.map(({ planeDeg, beam, field }) => (
          <Widths
            key={planeDeg}
            name={beams.length > 1 ? (planeDeg === 90 ? ', upright' : ', level') : ''}
            beam={beam}
            field={field}
          />
        ))}
        <dt>One side over the other</dt>
        <dd className="figure text-right">{Math.round(100 * sweep.asymmetry)} %</dd>
        <dt>Like {spreadText(nearest.spread)}</dt>
        <dd className="figure text-right">{Math.round(100 * nearest.elsewhere)} % elsewhere</dd>
      </dl>
      {(offAxis || hollow || lopsided) && (
        <p className="mt-1 text-[14px]">
          {[
            offAxis && 'Its beam is off its axis',
            hollow && 'Darker in the middle than round it',
            lopsided && 'Brighter to one side',
          ]
            .filter(Boolean)
            .join('; ')}
          .
        </p>
      )}
      {coveredDeg < 180 && (
        <p className="mt-1 text-[13px] text-ink-soft">
          What goes farther than {coveredDeg}° from the axis was not read and is not counted.
        </p>
      )}
      {stepErrorLm > 0.03 * lumens && (
        <p className="mt-1 border-l-4 border-look pl-2 text-[14px]">
          The steps alone may be wrong by {Math.round((100 * stepErrorLm) / lumens)} %: read between{' '}
          {sweep.finerDeg[0]}° and {sweep.finerDeg[1]}° more finely.
        </p>
      )}
      {notes.map((words) => (
        <p key={words} className="mt-1 border-l-4 border-look pl-2 text-[14px]">
          {words}
        </p>
      ))}
      <details className="mt-2 text-[13.5px]">
        <summary className="cursor-pointer">What makes it uncertain</summary>
        <ul>
          {parts.map(({ id, what, share }) => (
            <li key={id} className="flex justify-between border-b border-line">
              {what} <span className="figure">± {(200 * share).toFixed(1)} %</span>
            </li>
          ))}
        </ul>
        <p className="text-ink-soft">Twice the standard uncertainty; causes add as squares.</p>
      </details>
      {swept.of && <Files session={session} result={worked.value} of={swept.of} />}
      {unit && <Learn session={session} result={worked.value} unit={unit} />}
    </div>
  );
}

const Widths = ({ name, beam, field }: { name: string; beam: BeamWidth; field: BeamWidth }) => (
  <>
    <dt>Beam{name}, half the peak</dt>
    <dd className="figure text-right">{widthText(beam)}</dd>
    <dt>Field{name}, a tenth</dt>
    <dd className="figure text-right">{widthText(field)}</dd>
  </>
);

/** What was metered becomes what the shelf says, where it says all of the lamp. */
function Learn({ session, result, unit }: { session: Session; result: SweepResult; unit: Unit }) {
  const edits = useEdits();
  const found = learnt(result);
  if (isSimulated(session))
    return (
      <p className="mt-2 text-[13px] text-ink-soft">Simulated readings teach the shelf nothing.</p>
    );
  if (!found.ok)
    return (
      <p className="mt-2 border-l-4 border-look pl-2 text-[14px]" data-learnt="not yet">
        {found.problems[0]!.message}
      </p>
    );
  const { luminousFluxLm, cdPerKlm } = found.value;
  const adopt = () =>
    void edits.record('unit', unit.id, `metered light of ${unit.name}`, (draft) => {
      if (!('spread' in draft)) return;
      draft.luminousFluxLm = luminousFluxLm;
      draft.spread = { class: 'measured', cdPerKlm };
      draft.origins.luminousFluxLm = 'metered';
    });
  return (
    <button type="button" className="press mt-2" onClick={adopt}>
      Keep as what {unit.name} gives
    </button>
  );
}

/** The sweep as files other programs read. */
function Files({ session, result, of }: { session: Session; result: SweepResult; of: OfTheUnit }) {
  const document = useProduction((state) => state.document);
  const give = (ending: string, write: (light: Photometry) => string) => {
    const light = photometryOf(session, result.planes, result.sweep, of);
    download(exportName(document, session.name, ending), write(light), 'text/plain');
  };
  return (
    <p className="mt-2 flex items-center gap-2 text-[14px]">
      Files
      <button type="button" className="press !px-2 !py-0.5" onClick={() => give('ies', writeIes)}>
        IES
      </button>
      <button
        type="button"
        className="press !px-2 !py-0.5"
        onClick={() => give('ldt', writeEulumdat)}
      >
        EULUMDAT
      </button>
    </p>
  );
}
