'use client';
import { X } from 'lucide-react';
import type { Picture } from '@/core/document/picture';
import { TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { PictureInput } from '../records/PictureInput';
import { SmallPicture } from '../records/SmallPicture';
import { useAddPictures } from '../records/useAddPictures';
import type { AtHand } from './WithBuild';

/** Photographs of a build, kept with the production: how it was made, what it looked like. */
export default function PhotographsSheet({ build }: Pick<AtHand, 'build'>) {
  const pictures = useProduction((state) => state.document.pictures);
  const own = pictures.filter(({ buildId }) => buildId === build.id);
  const { busy, problems, add } = useAddPictures({ buildId: build.id }, build.name);
  return (
    <section
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void add([...event.dataTransfer.files]);
      }}
    >
      <div className="flex flex-wrap items-center gap-4">
        <PictureInput label="Add photographs" onAdd={(files) => void add(files)} />
        <p role="status" data-adding={busy > 0 ? 'yes' : 'no'} className="text-sm text-ink-soft">
          {busy > 0
            ? `Keeping ${busy === 1 ? 'a photograph' : `${busy} photographs`}…`
            : 'PNG, JPEG, WebP or AVIF, to 25 MB each; or drop them here.'}
        </p>
      </div>
      {problems.length > 0 && (
        <ul role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      {own.length === 0 && (
        <p className="mt-6 max-w-xl">
          None yet. In <em>Night Ferry</em> the back of the ring was photographed before it was
          closed: the wiring of a light that misbehaves a month later is then a look away.
        </p>
      )}
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-4">
        {own.map((picture) => (
          <Print key={picture.id} picture={picture} />
        ))}
      </ul>
    </section>
  );
}

/** One photograph: small, with its caption; the whole of it is a press away. */
function Print({ picture }: { picture: Picture }) {
  const edits = useEdits();
  const { id, name, caption, sizeBytes } = picture;
  return (
    <li data-picture={id} className="border border-line bg-raised p-2">
      <SmallPicture
        picture={picture}
        alt={caption || name}
        className="h-40 w-full object-contain"
      />
      <div className="mt-2 flex items-end gap-2">
        <div className="min-w-0 flex-1">
          <TextField
            label="Caption"
            value={caption}
            most={500}
            mayBeEmpty
            onCommit={(words) =>
              edits.record('picture', id, `caption of ${name}`, (target) => {
                target.caption = words;
              })
            }
          />
        </div>
        <button
          type="button"
          className="press !px-2"
          aria-label={`Take out ${caption || name}`}
          onClick={() => edits.remove('picture', picture, `take out ${name}`)}
        >
          <X size={15} aria-hidden />
        </button>
      </div>
      <p className="mt-1 truncate text-[12.5px] text-ink-soft">
        {name}, {(sizeBytes / 1e6).toFixed(1)} MB
      </p>
    </li>
  );
}
