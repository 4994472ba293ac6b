'use client';
import { Camera, X } from 'lucide-react';
import type { Unit } from '@/core/units/unit';
import { ACCEPTED_PICTURES, useAddPictures } from '../records/useAddPictures';
import { useProduction } from '../store/context';
import { mediaUrl, smallUrl } from '../store/media';
import { useEdits } from '../store/useEdits';

/** Photographs of a unit's box, kept with its record: what it said is a look away. */
export function LabelPhotographs({ unit }: { unit: Unit }) {
  const edits = useEdits();
  const pictures = useProduction((state) => state.document.pictures);
  const own = pictures.filter(({ unitId }) => unitId === unit.id);
  const { busy, problems, add } = useAddPictures({ unitId: unit.id }, `the label of ${unit.name}`);
  return (
    <section className="mt-4">
      <label className="press inline-flex cursor-pointer items-center gap-1.5">
        <Camera size={16} aria-hidden /> Photograph of its label
        <input
          type="file"
          accept={ACCEPTED_PICTURES}
          className="sr-only"
          data-label-photograph
          onChange={(event) => {
            void add([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </label>
      <span role="status" className="ml-3 text-[13px] text-ink-soft">
        {busy > 0 && 'Keeping it…'}
      </span>
      {problems.map((problem) => (
        <p key={problem} role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
          {problem}
        </p>
      ))}
      <ul className="mt-2 flex flex-wrap gap-2">
        {own.map((picture) => (
          <li key={picture.id} data-label-of={unit.id} className="relative">
            <a href={mediaUrl(picture.media)} target="_blank" rel="noreferrer" title="See it whole">
              {/* eslint-disable-next-line @next/next/no-img-element -- small already */}
              <img
                src={smallUrl(picture.media)}
                alt={`Label of ${unit.name}: ${picture.name}`}
                className="h-28 border border-line bg-paper object-contain"
              />
            </a>
            <button
              type="button"
              className="press absolute top-1 right-1 !min-h-0 !p-0.5"
              aria-label={`Take out ${picture.name}`}
              onClick={() => edits.remove('picture', picture, `take out ${picture.name}`)}
            >
              <X size={14} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
