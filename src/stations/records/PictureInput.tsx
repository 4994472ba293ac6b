import { ImagePlus } from 'lucide-react';
import { ACCEPTED_PICTURES } from './useAddPictures';

interface PictureInputProps {
  label: string;
  onAdd: (files: readonly File[]) => void;
}

/** Photographs from the camera of a phone or off the disk; the same one may be taken twice. */
export const PictureInput = ({ label, onAdd }: PictureInputProps) => (
  <label className="press flex cursor-pointer items-center gap-1.5">
    <ImagePlus size={16} aria-hidden /> {label}
    <input
      type="file"
      multiple
      accept={ACCEPTED_PICTURES}
      className="sr-only"
      onChange={(event) => {
        onAdd([...(event.target.files ?? [])]);
        event.target.value = '';
      }}
    />
  </label>
);
