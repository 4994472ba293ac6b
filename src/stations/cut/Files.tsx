'use client';
import { Download } from 'lucide-react';
import type { Build } from '@/core/document/production';
import type { Piece } from '@/core/build/pieces';
import { BUILD_FILES, filesAt } from '@/core/formats/buildFiles';
import { whyEmpty } from '@/core/evaluate/emptyFiles';
import { useProduction } from '../store/context';

/** Everything that can be taken away as a file. */
export default function Files({ build, pieces }: { build: Build; pieces: readonly Piece[] }) {
  const id = useProduction((state) => state.document.id);
  const saving = useProduction((state) => state.save.kind !== 'saved');
  return (
    <section>
      <h2 className="text-lg">Files</h2>
      {saving && (
        <p role="status" className="text-[13px] text-look">
          Your last change is being kept; the files follow in a moment.
        </p>
      )}
      <ul className="mt-2 grid gap-2 md:grid-cols-2">
        {filesAt('cut').map((file) => (
          <li key={file}>
            {whyEmpty(file, pieces) ? (
              <p className="px-3 py-2 text-[13px] text-ink-soft">
                <strong>{BUILD_FILES[file].title}</strong>: {whyEmpty(file, pieces)}
              </p>
            ) : (
              <a
                className="press flex items-start gap-2 no-underline"
                href={`/api/productions/${id}/builds/${build.id}/${file}`}
                download
                aria-disabled={saving}
              >
                <Download size={16} aria-hidden className="mt-1 shrink-0" />
                <span>
                  <strong>{BUILD_FILES[file].title}</strong>
                  <span className="block text-[12.5px] text-ink-soft">
                    {BUILD_FILES[file].words}
                  </span>
                </span>
              </a>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-4 text-[13px] text-ink-soft">
        Print templates at 100 %, never “fit to page”, and lay a rule on the check bar before you
        cut.
      </p>
    </section>
  );
}
