'use client';
import { nanoid } from 'nanoid';
import { changeDocument } from '@/core/document/edit';
import type { Build } from '@/core/document/production';
import { applyVariantInPlace, type Variant } from '@/core/evaluate/glow/variants';
import { stopsFigure } from '@/core/quantity';
import { useEngine } from '../shell/useEngine';
import { SEED } from '../shell/useTransport';
import { useWorkplace } from '../shell/useWorkplace';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

/** Photons that tell a tenth of a stop: all changes of a build within a second. */
const PHOTONS = 40_000;

/** One-click changes that change the light, each with what it does before it is made. */
export function Variants({ build }: { build: Build }) {
  const edits = useEdits();
  const { say } = useSession();
  const { transport } = useWorkplace();
  const document = useProduction((state) => state.document);
  const { answer, busy } = useEngine(
    (engine) => engine.variants(document, build.id, { photons: PHOTONS, seed: SEED }),
    [document.shelf, document.shots, build],
    // The light itself first.
    transport.done >= 1,
  );
  const make = (variant: Variant) => {
    const accessoryId = nanoid(8);
    edits.make(
      `${variant.label} of ${build.name}`,
      changeDocument((draft) => applyVariantInPlace(draft, build.id, variant.change, accessoryId)),
    );
    say(`${variant.label}: done. Undo takes it back.`);
  };
  return (
    <section
      aria-label="What if"
      className="no-print flex min-h-[69px] flex-wrap items-center gap-1.5 border-t border-line px-3 py-1.5 text-[12.5px]"
    >
      <h2 className="text-[14px]">What if</h2>
      <p role="status" className="sr-only">
        {busy ? 'Trying each change' : 'Each change is tried; press one to make it'}
      </p>
      <ul aria-busy={busy} className="contents">
        {answer?.map((variant) => (
          <li key={variant.id}>
            <button
              type="button"
              data-variant={variant.id}
              title={`Makes the change; undo takes it back. ${Math.round(variant.angleDeg)}° wide.`}
              className="press !min-h-0 !px-2 !py-0.5"
              onClick={() => make(variant)}
            >
              {variant.label}{' '}
              <span className="figure text-ink-soft">{stopsFigure(variant.stops)}</span>
            </button>
          </li>
        ))}
      </ul>
      <span className="text-ink-soft">{busy && !answer ? 'trying…' : 'stops'}</span>
    </section>
  );
}
