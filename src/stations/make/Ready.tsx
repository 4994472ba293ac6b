import type { Step } from '@/core/build/step';
import { shopLength } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import type { InMaking } from './MakeStation';

/** Pieces, things off the shelf and tools that this step takes. */
export function Ready({ at: { readouts, making }, step }: { at: InMaking; step: Step }) {
  const { units } = useDevice();
  const { pieces, needs, purchase } = readouts;
  const worked = pieces.filter(
    ({ id, kind }) => step.pieces.includes(id) || (step.works !== undefined && kind === step.works),
  );
  const taken = needs.filter((need) => need.step === step.id);
  const nameOf = (item: (typeof needs)[number]['item']) =>
    purchase.lines.find(({ of, key }) =>
      item.kind === 'hardware' ? key.startsWith(`hardware:${item.id}`) : of?.id === item.id,
    )?.name ?? item.id;
  const used = step.id in making.ticks;
  return (
    <section
      aria-label="Lies ready"
      className={`text-[14px] max-lg:order-2 ${used ? 'text-ink-soft line-through decoration-1' : ''}`}
    >
      <h2 className="text-base">Lies ready</h2>
      {worked.length + taken.length === 0 && <p className="text-ink-soft">Nothing but tools.</p>}
      <ul className="mt-1 space-y-1">
        {worked.map((piece) => (
          <li key={piece.id}>
            {piece.count > 1 && <span className="figure">{piece.count} × </span>}
            {piece.name}
            <span className="figure block text-[12.5px] text-ink-soft">
              {piece.kind === 'stick'
                ? shopLength(piece.lengthM, units)
                : `${shopLength(piece.widthM, units)} × ${shopLength(piece.heightM, units)}`}
            </span>
          </li>
        ))}
        {taken.map(({ item, quantity, measure, why }) => (
          <li key={`${item.kind} ${item.id} ${why}`}>
            <span className="figure">
              {Number(quantity.toPrecision(3))}
              {measure === 'piece' ? ' × ' : ` ${measure} `}
            </span>
            {nameOf(item)}
          </li>
        ))}
      </ul>
      <h2 className="mt-3 text-base">Tools</h2>
      <ul className="mt-1">
        {step.tools.map((tool) => (
          <li key={tool}>{tool}</li>
        ))}
      </ul>
    </section>
  );
}
