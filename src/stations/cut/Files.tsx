'use client';
import { Download } from 'lucide-react';
import type { Build } from '@/core/document/production';
import { useProduction } from '../store/context';

const FILES = [
  [
    'build-pack.pdf',
    'Build pack',
    'Drawing, lists, steps, safety page and templates in one PDF, A4.',
  ],
  ['build-pack-letter.pdf', 'Build pack, Letter', 'The same on Letter paper.'],
  [
    'templates.pdf',
    'Templates, A4',
    'Pieces at true size over tiled pages, with crop marks and a 100 mm bar to check the print.',
  ],
  ['templates-letter.pdf', 'Templates, Letter', 'The same on Letter paper.'],
  [
    'pieces.svg',
    'Pieces as SVG',
    'True size in millimetres; cut, score, drill and mark as layers.',
  ],
  [
    'pieces.dxf',
    'Pieces as DXF',
    'Millimetres, layers cut, score, drill, mark: for a laser or a router.',
  ],
  ['cut-list.csv', 'Cut list', 'The list at the saw as a table.'],
  ['shopping.csv', 'Shopping list', 'Needed, on hand, packs, money.'],
] as const;

/** Everything that can be taken away as a file. */
export default function Files({ build }: { build: Build }) {
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
        {FILES.map(([file, name, words]) => (
          <li key={file}>
            <a
              className="press flex items-start gap-2 no-underline"
              href={`/api/productions/${id}/builds/${build.id}/${file}`}
              download
              aria-disabled={saving}
            >
              <Download size={16} aria-hidden className="mt-1 shrink-0" />
              <span>
                <strong>{name}</strong>
                <span className="block text-[12.5px] text-ink-soft">{words}</span>
              </span>
            </a>
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
