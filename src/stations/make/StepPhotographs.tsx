'use client';
import type { Step } from '@/core/build/step';
import { PictureInput } from '../records/PictureInput';
import { useAddPictures } from '../records/useAddPictures';
import { useProduction } from '../store/context';
import { mediaUrl, smallUrl } from '../store/media';
import type { InMaking } from './MakeStation';

/** What it looked like at this step. */
export function StepPhotographs({ at: { build, making }, step }: { at: InMaking; step: Step }) {
  const pictures = useProduction((state) => state.document.pictures);
  const own = pictures.filter(
    ({ buildId, copy, stepId }) =>
      buildId === build.id && copy === making.copy && stepId === step.id,
  );
  const { busy, problems, add } = useAddPictures(
    { buildId: build.id, copy: making.copy, stepId: step.id },
    step.title,
  );
  return (
    <div
      className="flex flex-wrap items-center gap-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void add([...event.dataTransfer.files]);
      }}
    >
      {own.map(({ id, media, name, caption }) => (
        <a key={id} href={mediaUrl(media)} target="_blank" rel="noreferrer" title="See it whole">
          {/* Served by our own route, small already. */}
          {/* eslint-disable-next-line @next/next/no-img-element */}
          <img
            src={smallUrl(media)}
            alt={caption || `${name}, at ${step.title}`}
            loading="lazy"
            className="h-16 w-24 bg-paper object-cover"
          />
        </a>
      ))}
      <PictureInput label="Photograph this step" onAdd={(files) => void add(files)} />
      <span role="status" data-adding={busy > 0 ? 'yes' : 'no'} className="text-[13px]">
        {busy > 0 && 'Keeping it…'}
      </span>
      {problems.map((problem) => (
        <p key={problem} role="alert" className="w-full bg-stop-wash p-1 text-[13px]">
          {problem}
        </p>
      ))}
    </div>
  );
}
