'use client';
import { Download } from 'lucide-react';
import { useState } from 'react';
import type { Build } from '@/core/document/production';
import type { Glow, GlowId } from '@/core/evaluate/glow';
import { BUILD_FILES, filesAt } from '@/core/formats/buildFiles';
import { useDevice } from '@/ui/device';
import { lazyPanel } from '@/ui/lazyPanel';
import { SeverityMark, severityWord } from '@/ui/Severity';
import { showText } from '@/core/quantity';
import { shownReadout } from '../shell/showReadout';
import { useProduction } from '../store/context';

const WorkingDialog = lazyPanel(() => import('../shell/WorkingDialog'));

/** Every figure of the light; pressing one opens its working. */
export function GlowFigures({ glow, build }: { glow: Glow; build: Build }) {
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const production = useProduction((state) => state.document.id);
  const saving = useProduction((state) => state.save.kind !== 'saved');
  const [open, setOpen] = useState<GlowId | null>(null);
  return (
    <section aria-label="Figures">
      <ul>
        {glow.readouts.map((readout) => (
          <li key={readout.id} className="border-b border-line">
            <button
              type="button"
              aria-haspopup="dialog"
              data-glow={readout.id}
              onClick={() => setOpen(readout.id)}
              className="w-full px-3 py-1 text-left hover:bg-brass-wash/60"
            >
              <span className="flex items-baseline justify-between gap-2">
                <span className="text-[13px] text-ink-soft">{readout.label}</span>
                <span className="figure text-[14.5px] font-medium" data-figure>
                  {showText(shownReadout(readout, { system: units, currency }))}
                </span>
              </span>
              <span className="flex items-baseline justify-between gap-2 text-[12px] leading-tight text-ink-soft">
                <span className="line-clamp-2">{readout.words}</span>
                {readout.state !== 'ok' && <SeverityMark severity={readout.state} bare />}
              </span>
              <span className="sr-only">{severityWord(readout.state)}. Opens the working.</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-2 text-[13px]">
        <span className="text-ink-soft">Files</span>
        {filesAt('glow').map((file) => (
          <a
            key={file}
            className="press flex items-center gap-1 !py-0.5 no-underline"
            href={`/api/productions/${production}/builds/${build.id}/${file}`}
            download
            aria-disabled={saving}
          >
            <Download size={14} aria-hidden />
            {BUILD_FILES[file].title}
          </a>
        ))}
      </p>
      {open && <WorkingDialog rung={open} onClose={() => setOpen(null)} />}
    </section>
  );
}
