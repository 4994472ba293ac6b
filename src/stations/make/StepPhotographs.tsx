'use client';
import type { Step } from '@/core/build/step';
import { PictureInput } from '../records/PictureInput';
import { SmallPicture } from '../records/SmallPicture';
import { useAddPictures } from '../records/useAddPictures';
import { useProduction } from '../store/context';
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
      {own.map((picture) => (
        <SmallPicture
          key={picture.id}
          picture={picture}
          alt={picture.caption || `${picture.name}, at ${step.title}`}
          className="h-16 w-24 object-cover"
        />
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
