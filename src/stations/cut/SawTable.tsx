'use client';
import type { CutPlan } from '@/core/shop/cutPlan';
import { sawList } from '@/core/shop/sawList';
import { inSystem, shopLength } from '@/core/quantity';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';

/** The list to take to the saw, in the order of work. */
export default function SawTable({ cuts }: { cuts: CutPlan }) {
  const { units } = useDevice();
  const rows = sawList(cuts);
  const size = (metres: number) => shopLength(metres, units);
  return (
    <section>
      <h2 className="text-lg">At the saw</h2>
      <p className="mb-1 text-[13px] text-ink-soft">
        Boards first, big pieces before small; then bars; cloth last. Glasses and dust mask on, work
        clamped, blade guard down.
      </p>
      <table className="rows w-full text-sm">
        <Heads
          of={[
            'From',
            'Piece',
            'write on it',
            { figures: 'count' },
            { figures: 'length' },
            { figures: 'width' },
            'Note',
          ]}
        />
        <tbody>
          {rows.map((row, at) => (
            <tr key={at}>
              <td>
                {row.material}
                <span className="block text-[12.5px] text-ink-soft">{row.from}</span>
              </td>
              <td>{row.piece}</td>
              <td className="figure">{row.marks.join(', ')}</td>
              <td className="num">{row.count}</td>
              <td className="num">{size(row.lengthM)}</td>
              <td className="num">{row.widthM === null ? '–' : size(row.widthM)}</td>
              <td className="text-[12.5px]">{inSystem(row.note, units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length === 0 && <p>Nothing to cut.</p>}
    </section>
  );
}
