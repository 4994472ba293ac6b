'use client';
import { useState } from 'react';
import type { Piece } from '@/core/build/pieces';
import { circlesToDraw, HOUSEHOLD, nearest, type Near } from '@/core/shop/circles';
import { shopLength, type UnitSystem } from '@/core/quantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TextField } from '@/ui/fields/TextField';
import { useDevice } from '@/ui/device';
import { newPart } from '../shelf/newRecords';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

/** Something round to draw every circle along: what is on the shelf first, then what most kitchens have. */
export default function Circles({ pieces }: { pieces: readonly Piece[] }) {
  const { units } = useDevice();
  const parts = useProduction((state) => state.document.shelf.parts);
  const own = parts.flatMap((part) => (part.role === 'round' ? [part] : []));
  const wanted = circlesToDraw(pieces);
  return (
    <section>
      <h2 className="text-lg">Circles</h2>
      <p className="mb-2 text-[13px] text-ink-soft">
        A lid that is near enough is faster than a compass. Wider circles are struck with a trammel,
        small ones drilled.
      </p>
      {wanted.length === 0 ? (
        <p>No circle of this light is of a size to be drawn along something.</p>
      ) : (
        <table className="rows w-full text-sm">
          <tbody>
            {wanted.map(({ diameterM, what }) => (
              <tr key={diameterM}>
                <th scope="row" className="figure text-left whitespace-nowrap">
                  Ø {shopLength(diameterM, units)}
                  <span className="block font-normal whitespace-normal text-ink-soft">{what}</span>
                </th>
                <td>
                  <ul>
                    {nearest(diameterM, own, 2).map((near) => (
                      <li key={near.name} data-own>
                        <strong>{near.name}</strong>: {over(near, units)}
                      </li>
                    ))}
                    {nearest(diameterM, HOUSEHOLD, 2).map((near) => (
                      <li key={near.name}>
                        {near.name}: {over(near, units)}
                      </li>
                    ))}
                  </ul>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <OneMore />
    </section>
  );
}

const over = ({ overM, diameterM }: Near, units: UnitSystem): string =>
  `Ø ${shopLength(diameterM, units)}, ${
    Math.abs(overM) < 0.0005
      ? 'just right'
      : `${shopLength(Math.abs(overM), units)} too ${overM > 0 ? 'wide' : 'narrow'}`
  }`;

/** What somebody has measured with a rule: it goes on the shelf, and is offered for every light. */
function OneMore() {
  const { units } = useDevice();
  const edits = useEdits();
  const shelf = useProduction((state) => state.document.shelf);
  const [name, setName] = useState('');
  const [diameterM, setDiameter] = useState<number | null>(null);
  const ready = name !== '' && diameterM !== null;
  const add = () => {
    if (!ready) return;
    const part = newPart(shelf, 'round', name);
    edits.add('part', { ...part, diameterM, onHand: 1 } as typeof part, `add ${name}`);
    setName('');
    setDiameter(null);
  };
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <TextField
        label="Something round you have"
        value={name}
        most={80}
        mayBeEmpty
        onCommit={setName}
      />
      <QuantityField
        label="Across its rim"
        value={diameterM}
        dimension="length"
        assumedUnit="mm"
        step={0.001}
        min={0.01}
        max={2}
        system={units}
        emptyText="measure it"
        onCommit={setDiameter}
      />
      <button type="submit" className="press" aria-disabled={!ready}>
        Put it on the shelf
      </button>
    </form>
  );
}
