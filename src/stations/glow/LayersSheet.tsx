'use client';
import { setParameters } from '@/core/document/records';
import type { LadderRow } from '@/core/evaluate/glow/layers';
import { show, showText, stopsFigure } from '@/core/quantity';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import type { AtHand } from '../build/WithBuild';
import { useEngine } from '../shell/useEngine';
import { SEED } from '../shell/useTransport';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { stopsCss } from './stopsColour';

const PHOTONS = 40_000;
const SMALL = 8;

/** The same build with none, one, two of the layers on the shelf. */
export default function LayersSheet({ build }: AtHand) {
  const edits = useEdits();
  const document = useProduction((state) => state.document);
  const { answer, busy } = useEngine(
    (engine) => engine.layers(document, build.id, { photons: PHOTONS, seed: SEED }),
    [document.shelf, document.shots, build],
  );
  if (!answer)
    return (
      <p className="p-4" role="status">
        Trying the layers on the shelf…
      </p>
    );
  if (answer.length === 0)
    return (
      <p className="max-w-[60ch] p-4">
        This form carries no layers of its own: hang cloth in front with a frame, or choose a form
        with a front.
      </p>
    );
  const put = ({ parameters }: LadderRow) =>
    edits.make(`layers of ${build.name}`, setParameters(build.id, parameters));
  return (
    <div className="overflow-x-auto" aria-busy={busy}>
      <table className="rows tight w-full text-[13px]">
        <Heads
          of={[
            'Its mouth',
            'Layers',
            { figures: 'Light' },
            { figures: 'Lost' },
            { figures: 'Softness' },
            { figures: 'Colour' },
            { figures: 'Mouth, min/mean' },
            'in its place',
          ]}
        />
        <tbody>
          {answer.map((row) => (
            <LayersRow key={row.id} row={row} onPut={() => put(row)} />
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[12.5px] text-ink-soft">
        Each row simulated with {PHOTONS.toLocaleString('en')} photons. Brightness has no effect on
        softness: a layer softens only by making the source bigger, dots into a disc. Layers are
        typical values: meter with and without to settle yours.
      </p>
    </div>
  );
}

function LayersRow({ row, onPut }: { row: LadderRow; onPut: () => void }) {
  const { units } = useDevice();
  return (
    <tr data-layers={row.id} className={row.now ? 'bg-brass-wash' : ''}>
      <td>
        <SmallMouth map={row.map} />
      </td>
      <td>{row.name}</td>
      <td className="num">{showText(show(row.lx, 'illuminance', units))}</td>
      <td className="num">{stopsFigure(row.lost)}</td>
      <td className="num">{Math.round(row.angleDeg)}°</td>
      <td className="num">{row.cctK === null ? '–' : `${Math.round(row.cctK)} K`}</td>
      <td className="num">{row.uniformity === null ? '–' : row.uniformity.toFixed(2)}</td>
      <td>
        {row.now ? (
          'now'
        ) : (
          <button type="button" className="press !min-h-0 !py-0" onClick={onPut}>
            Put it in<span className="sr-only">: {row.name}</span>
          </button>
        )}
      </td>
    </tr>
  );
}

function SmallMouth({ map }: { map: LadderRow['map'] }) {
  if (!map) return <span className="text-ink-soft">–</span>;
  return (
    <svg viewBox={`0 0 ${SMALL} ${SMALL}`} className="h-9 w-9" aria-hidden>
      {map.map((value, k) =>
        value === null ? null : (
          <rect
            key={k}
            x={k % SMALL}
            y={SMALL - 1 - Math.floor(k / SMALL)}
            width={1.03}
            height={1.03}
            fill={stopsCss(Math.log2(Math.max(value, 1e-6)))}
          />
        ),
      )}
    </svg>
  );
}
