'use client';
import type { WorkedOut } from '@/core/evaluate/readouts';
import type { Shape } from '@/core/drawing/drawing';
import type { Piece } from '@/core/build/pieces';
import { pieceView } from '@/core/shop/planView';
import { inSystem, shopLength, show, showText, type UnitSystem } from '@/core/quantity';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';

/** What a maker marks out: every length of the layout with how it was worked out, and the pieces. */
export default function MarksTable({ readouts }: { readouts: WorkedOut }) {
  const { units } = useDevice();
  const write = (value: number, dimension: Parameters<typeof show>[1]) =>
    showText(show(value, dimension, units));
  const shop = (metres: number) => shopLength(metres, units);
  return (
    <div className="grid gap-6 lg:grid-cols-2">
      <section>
        <h2 className="mb-1 text-lg">Marks and lengths</h2>
        <table className="rows w-full text-sm">
          <tbody>
            {readouts.facts.map((fact) => (
              <tr key={fact.id}>
                <td>
                  {fact.label}
                  <span className="block text-[12.5px] text-ink-soft">{fact.working}</span>
                </td>
                <td className="num">
                  {fact.dimension === 'length'
                    ? shop(fact.value)
                    : write(fact.value, fact.dimension)}
                </td>
              </tr>
            ))}
            <tr>
              <td>
                Mass
                <span className="block text-[12.5px] text-ink-soft">
                  of what has been chosen so far
                </span>
              </td>
              <td className="num">{write(readouts.massKg, 'mass')}</td>
            </tr>
            <tr>
              <td>Folded size</td>
              <td className="num">
                {shop(readouts.folded.widthM)} × {shop(readouts.folded.heightM)} ×{' '}
                {shop(readouts.folded.depthM)}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2 className="mb-1 text-lg">Pieces to cut</h2>
        {readouts.pieces.length === 0 && <p>Nothing to cut for this form.</p>}
        {readouts.pieces.map((piece, at) => (
          <PieceArticle key={at} piece={piece} number={at + 1} units={units} shop={shop} />
        ))}
      </section>
    </div>
  );
}

type Shop = (metres: number) => string;

interface PieceArticleProps {
  piece: Piece;
  number: number;
  units: UnitSystem;
  shop: Shop;
}

function PieceArticle({ piece, number, units, shop }: PieceArticleProps) {
  return (
    <article className="mb-4 border-b border-line pb-3">
      <h3>
        {number}. {piece.count} × {piece.name}
      </h3>
      <p className="figure text-sm">
        {piece.kind === 'stick'
          ? `${shop(piece.lengthM)} long`
          : `${shop(piece.widthM)} × ${shop(piece.heightM)}`}
        {piece.kind === 'sheet' && piece.thicknessM > 0 && `, ${shop(piece.thicknessM)} thick`}
      </p>
      <ul className="list-disc pl-5 text-sm">
        {piece.markOut.map((mark) => (
          <li key={mark}>{inSystem(mark, units)}</li>
        ))}
      </ul>
      {piece.kind === 'sheet' && (
        <div className="h-52">
          <ViewDrawing view={pieceView(piece, shop)} lengthText={shop} {...QUIET_VIEW} />
        </div>
      )}
      {piece.kind === 'sheet' && <Circles shapes={piece.shapes} shop={shop} />}
    </article>
  );
}

/** Every circle of a piece from its lower left corner, for marking out without the drawing. */
function Circles({ shapes, shop }: { shapes: readonly Shape[]; shop: Shop }) {
  const circles = shapes.flatMap((shape) => (shape.kind === 'circle' ? [shape] : []));
  if (circles.length === 0) return null;
  return (
    <details className="mt-2 text-sm">
      <summary>Every circle, from the lower left corner</summary>
      <table className="rows w-full">
        <Heads of={['Mark', { figures: 'right' }, { figures: 'up' }, { figures: 'radius' }]} />
        <tbody>
          {circles.map((circle, index) => (
            <tr key={index}>
              <td>
                {circle.layer}: {circle.label}
              </td>
              <td className="num">{shop(circle.x)}</td>
              <td className="num">{shop(circle.y)}</td>
              <td className="num">{shop(circle.r)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
