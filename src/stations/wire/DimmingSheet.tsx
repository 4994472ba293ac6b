'use client';
import { stopsInWords, show, showText } from '@/core/quantity';
import {
  DIMMER_NAMES,
  DIMMERS,
  LOAD_NAMES,
  LOADS,
  matchOf,
  type Match,
} from '@/core/power/dimming';
import type { Wire } from '@/core/power/wire';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { SeverityMark } from '@/ui/Severity';
import type { AtHand } from '../build/WithBuild';

const SEVERITY: Record<Match, 'ok' | 'look' | 'stop'> = { yes: 'ok', maybe: 'look', no: 'stop' };
const WORDS: Record<Match, string> = { yes: 'fits', maybe: 'perhaps', no: 'does not fit' };

/** Which dimmer goes with which lamp, and how else to have less light. */
export default function DimmingSheet({ readouts }: AtHand) {
  const { wire, alternatives: ways } = readouts;
  const { units } = useDevice();
  return (
    <div className="grid gap-5">
      <section>
        <h2 className="text-lg">Dimmer and lamp</h2>
        <div className="relative overflow-x-auto">
          <MatchTable wire={wire} />
        </div>
        <p className="text-[13px] text-ink-soft">
          Common practice. What is printed on dimmer and lamp wins; film a test at the shot’s
          shutter before the day.
        </p>
      </section>
      <section>
        <h2 className="text-lg">Less light without a dimmer</h2>
        <p className="text-[13px] text-ink-soft">
          Worked out from the light at the subject and its fall-off; tracing paper as typical.
        </p>
        {ways.length === 0 ? (
          <p>The light is not over the shot’s target: there is nothing to take away.</p>
        ) : (
          <table className="rows w-full max-w-xl text-sm">
            <Heads of={['Way', { figures: 'at the subject' }, { figures: 'to the target' }]} />
            <tbody>
              {ways.map(({ what, illuminanceLx, marginStops }) => (
                <tr key={what}>
                  <td>{what}</td>
                  <td className="num">{showText(show(illuminanceLx, 'illuminance', units))}</td>
                  <td className="num">{stopsInWords(marginStops)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
    </div>
  );
}

/** Lamps against dimmers. */
const MatchTable = ({ wire }: { wire: Wire }) => (
  <table className="rows w-full text-sm">
    <thead>
      <tr>
        <th scope="col">Lamp</th>
        {DIMMERS.map((dimmer) => (
          <th scope="col" key={dimmer}>
            {DIMMER_NAMES[dimmer]}
            {wire.dimmer?.edge === dimmer && ' (chosen)'}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {LOADS.map((load) => {
        const own = wire.loads.includes(load);
        return (
          <tr key={load} data-own={own} className={own ? 'bg-brass-wash' : ''}>
            <th scope="row">
              {LOAD_NAMES[load]}
              {own && <span className="block text-[12.5px]">in this light</span>}
            </th>
            {DIMMERS.map((dimmer) => {
              const [match, why] = matchOf(load, dimmer);
              return (
                <td key={dimmer}>
                  <SeverityMark severity={SEVERITY[match]} bare /> {WORDS[match]}:{' '}
                  <span className="text-ink-soft">{why}</span>
                </td>
              );
            })}
          </tr>
        );
      })}
    </tbody>
  </table>
);
