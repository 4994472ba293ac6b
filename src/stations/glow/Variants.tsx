'use client';
import { nanoid } from 'nanoid';
import type { Build } from '@/core/document/production';
import { applyVariantInPlace, type Variant } from '@/core/evaluate/glow/compare';
import { stopsFigure } from '@/core/quantity';
import { useEngine } from '../shell/useEngine';
import { SEED } from '../shell/useTransport';
import { useSession } from '../shell/Workbench';
import { useProduction, useProductionStore } from '../store/context';

/** Photons that tell a tenth of a stop: all changes of a build within a second. */
const PHOTONS = 40_000;

/** One-click changes that change the light, each with what it does before it is made. */
export function Variants({ build }: { build: Build }) {
  const store = useProductionStore();
  const { say } = useSession();
  const document = useProduction((state) => state.document);
  const { answer, busy } = useEngine(
    (engine) => engine.variants(document, build.id, { photons: PHOTONS, seed: SEED }),
    [document.shelf, document.shots, build],
  );
  const make = (variant: Variant) => {
    store
      .getState()
      .change(`${variant.label} of ${build.name}`, (draft) =>
        applyVariantInPlace(draft, build.id, variant.change, nanoid(8)),
      );
    say(`${variant.label}: done. Undo takes it back.`);
  };
  return (
    <section aria-label="What if" className="px-3 py-2">
      <h2 className="text-[15px]">What if</h2>
      <p role="status" className="text-[12px] text-ink-soft">
        {busy ? 'Trying each change…' : 'Press one to make it; undo takes it back.'}
      </p>
      <ul aria-busy={busy} className="mt-1 grid gap-1">
        {answer?.map((variant) => (
          <li key={variant.id}>
            <button
              type="button"
              data-variant={variant.id}
              className="press flex w-full items-baseline justify-between gap-2 !px-2 !py-0.5 text-left text-[13px]"
              onClick={() => make(variant)}
            >
              <span>{variant.label}</span>
              <span className="figure whitespace-nowrap text-[12px] text-ink-soft">
                {stopsFigure(variant.stops)} stops, {Math.round(variant.angleDeg)}°
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
