'use client';
import { groupedCuts } from '@/core/power/cutList';
import type { Wire } from '@/core/power/wire';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { QUIET_VIEW, ViewDrawing, WIRING_LETTER } from '@/ui/drawing/ViewDrawing';
import { Heads } from '@/ui/Heads';
import type { AtHand } from '../build/WithBuild';

/** Every wire as it lies on the back, and the list to cut them by. */
export default function WiresSheet({ readouts }: AtHand) {
  const { units } = useDevice();
  const behind = readouts.drawing.views.find(({ id }) => id === 'wiring');
  const lengthText = (metres: number) => showText(show(metres, 'length', units));
  return (
    <div className="grid grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
      <figure className="min-w-0">
        {behind && (
          <div className="h-[min(900px,calc(100dvh-225px))] min-h-[320px]">
            <ViewDrawing
              view={behind}
              mostLetter={WIRING_LETTER}
              lengthText={lengthText}
              {...QUIET_VIEW}
            />
          </div>
        )}
        <figcaption className="text-center text-[13px] text-ink-soft">
          From behind, every wire in the colours of {readouts.wire.circuit.name}. Found cords may
          wear others: tell them by continuity to the plug’s pins.
        </figcaption>
      </figure>
      <section>
        <h2 className="text-lg">Wires to cut</h2>
        <CutTable wire={readouts.wire} lengthText={lengthText} />
        <p className="mt-3 text-[13px] text-ink-soft">
          Tail and links as planned; pieces to gear and tubes are estimates off the drawing with 30
          cm for their ends: lay one before you cut the rest.
        </p>
        <p className="mt-2 text-[13px] text-ink-soft">
          Work unplugged. Joints only in closed terminals, never twisted and taped; strain relief
          where a cord comes in; nothing bare outside a terminal.
        </p>
      </section>
    </div>
  );
}

function CutTable({ wire, lengthText }: { wire: Wire; lengthText: (metres: number) => string }) {
  const rows = groupedCuts(wire.wiring);
  if (rows.length === 0) return <p className="text-sm">Nothing to wire yet.</p>;
  return (
    <table className="rows tight mt-1 w-full text-[13px]">
      <Heads of={['From, to', { figures: 'Pieces' }, { figures: 'Length' }, 'Of, and its ends']} />
      <tbody>
        {rows.map(({ id, from, to, count, lengthM, of, wires, ends }) => (
          <tr key={id}>
            <td>
              {from} → {to}
              <span className="block text-ink-soft">{wires}</span>
            </td>
            <td className="num">{count}</td>
            <td className="num">{lengthText(lengthM)}</td>
            <td>
              {of}
              <span className="block text-ink-soft">{ends}</span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
