'use client';
import type { Build } from '@/core/document/production';
import type { Finding } from '@/core/findings/finding';
import { loopFromEndVolts } from '@/core/power/ladder';
import { ORIGIN_WORDS } from '@/core/origin';
import { TAPE_LOAD_NAMES } from '@/core/electrics/tapeLoad';
import { DIMMEST, evenFeeds, type TapePart } from '@/core/power/tapePlan';
import type { Wire } from '@/core/power/wire';
import { show, showText, threeFigures } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { QuantityField } from '@/ui/fields/QuantityField';
import type { AtHand } from '../build/WithBuild';
import { FindingItem } from '../shell/FindingItem';
import { useEdits } from '../store/useEdits';
import { Row } from './Row';

type Tape = NonNullable<Wire['tape']>;

/** How bright the tape is along its length, from where it is fed, and what its leads carry. */
export default function TapeSheet({ build, readouts }: AtHand) {
  const { tape } = readouts.wire;
  return tape && <AlongTheTape build={build} tape={tape} findings={readouts.findings} />;
}

interface AlongTheTapeProps {
  build: Build;
  tape: Tape;
  findings: readonly Finding[];
}

function AlongTheTape({ build, tape, findings }: AlongTheTapeProps) {
  const { units } = useDevice();
  const length = (metres: number) => showText(show(metres, 'length', units));
  const { run, parts } = tape;
  const own = findings.filter(({ topic }) => topic === 'tape');
  // Equal parts look alike: each length is drawn once.
  const kinds = [...new Map(parts.map((part) => [part.lengthM.toFixed(3), part])).values()];
  return (
    <div className="grid grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] gap-5 max-lg:grid-cols-1">
      <section>
        <h2 className="text-lg">Brightness from end to end</h2>
        {kinds.map((part) => (
          <Strip
            key={part.lengthM}
            part={part}
            proposedM={
              tape.dimmest < DIMMEST && tape.proposedFeeds !== null
                ? evenFeeds(part.lengthM, tape.proposedFeeds)
                : []
            }
            alike={parts.filter(({ lengthM }) => Math.abs(lengthM - part.lengthM) < 5e-4).length}
            length={length}
          />
        ))}
        <table className="rows mt-3 w-full text-sm">
          <tbody>
            <Row label="Dimmest against brightest">{Math.round(tape.dimmest * 100)} %</Row>
            <Row label="Lowest voltage">
              {threeFigures(tape.lowestV)} V of {run.voltageV} V
            </Row>
            <Row label="Busiest feed">{threeFigures(tape.mostFeedA)} A</Row>
            <Row label="Lost in its lead">{threeFigures(tape.leadDrop * 100)} %</Row>
            <Row label="Copper, out and back">
              {threeFigures(run.loopOhmPerM.value)} Ω/m,{' '}
              {run.loopOhmPerM.origin === 'typical'
                ? 'typical of its width'
                : ORIGIN_WORDS[run.loopOhmPerM.origin]}
            </Row>
            <Row label="Sections">{TAPE_LOAD_NAMES[run.load]}</Row>
            <Row label="Supplies">{run.supplies}</Row>
          </tbody>
        </table>
        <p className="mt-2 text-[13px] text-ink-soft">
          An estimate: the tape solved as a ladder of copper and loads, everything lit. What it
          loses is not taken off the light at the subject.
        </p>
        <EndVolts build={build} tape={tape} />
      </section>
      <section>
        <h2 className="text-lg">Checked</h2>
        <ul>
          {own.map((finding) => (
            <FindingItem key={finding.id} finding={finding} build={build} />
          ))}
        </ul>
      </section>
    </div>
  );
}

const CELLS = 60;

/** One stretch of tape drawn straight, as bright as its diodes, with its feeds. */
function Strip({
  part,
  proposedM,
  alike,
  length,
}: {
  part: TapePart;
  /** where feeds would mend it */
  proposedM: readonly number[];
  alike: number;
  length: (metres: number) => string;
}) {
  const { light, lengthM, feedsM } = part;
  const cells = Array.from(
    { length: CELLS },
    (_, k) => light[Math.round(((k + 0.5) / CELLS) * (light.length - 1))]!,
  );
  return (
    <figure className="mt-2" data-strip>
      <svg
        viewBox="0 0 600 62"
        className="w-full"
        role="img"
        aria-label={`${length(lengthM)} of tape, ${feedsM.length} ${feedsM.length === 1 ? 'feed' : 'feeds'}, dimmest ${Math.round(part.dimmest * 100)} % at ${length(part.dimmestAtM)}`}
      >
        <rect x="0" y="24" width="600" height="22" fill="#2a2218" />
        {cells.map((value, k) => (
          <rect
            key={k}
            x={k * 10 + 1}
            y="27"
            width="8"
            height="16"
            fill="var(--glow)"
            opacity={Math.max(0.06, value)}
          />
        ))}
        {proposedM.map((atM) => (
          <path
            key={atM}
            data-proposed
            d={`M${(600 * atM) / lengthM - 5} 14 l5 9 l5 -9 Z`}
            fill="none"
            stroke="var(--look)"
            strokeWidth="1.5"
          />
        ))}
        {feedsM.map((atM) => {
          const x = Math.min(594, Math.max(6, (600 * atM) / lengthM));
          return (
            <g key={atM} data-feed stroke="var(--ink)" strokeWidth="1.5" fill="var(--ink)">
              <path d={`M${x} 2 V18`} />
              <path d={`M${x - 4} 15 L${x} 23 L${x + 4} 15 Z`} stroke="none" />
            </g>
          );
        })}
        <path
          d={`M${(600 * part.dimmestAtM) / lengthM} 48 v8`}
          stroke="var(--look)"
          strokeWidth="2"
        />
      </svg>
      <figcaption className="text-[13px] text-ink-soft">
        {alike > 1 && `${alike} stretches of `}
        {length(lengthM)}, fed at {feedsM.map(length).join(', ')}; dimmest{' '}
        {Math.round(part.dimmest * 100)} % at {length(part.dimmestAtM)}
        {proposedM.length > 0 && `; hollow: fed at ${proposedM.map(length).join(', ')} it is even`}
      </figcaption>
    </figure>
  );
}

/** The tape's own copper from one reading at its far end. */
function EndVolts({ build, tape: { run, parts } }: { build: Build; tape: Tape }) {
  const edits = useEdits();
  const { units } = useDevice();
  const stripId = build.parameters.stripId;
  const lengthM = parts[0]!.lengthM;
  const take = (endV: number | null) => {
    const found =
      endV === null
        ? null
        : loopFromEndVolts(
            { lengthM, supplyV: run.voltageV, wattsPerM: run.wattsPerM, load: run.load },
            endV,
          );
    if (endV !== null && found === null)
      return `No copper explains ${threeFigures(endV)} V: it must lie below ${run.voltageV} V, with everything lit.`;
    return edits.record('unit', String(stripId), 'copper of the tape', (strip) => {
      if (strip.category !== 'strip') return;
      strip.loopOhmPerM = found;
      if (found === null) delete strip.origins.loopOhmPerM;
      else strip.origins.loopOhmPerM = 'metered';
    });
  };
  return (
    <div className="mt-3 max-w-72">
      <QuantityField
        label="Metered at the far end"
        value={null}
        dimension="voltage"
        assumedUnit="V"
        step={0.1}
        min={0.5}
        max={run.voltageV}
        system={units}
        emptyText={
          run.loopOhmPerM.origin !== 'metered' ? 'not metered' : 'kept as copper of this tape'
        }
        help={`${threeFigures(lengthM)} m fed from one end, lit fully: volts at the last cut mark`}
        onCommit={take}
      />
    </div>
  );
}
