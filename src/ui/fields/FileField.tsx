'use client';

interface FileFieldProps {
  label: string;
  /** endings and types the chooser offers */
  accept: string;
  onFile: (file: File) => void;
}

/** A file from this machine; the same one may be chosen again after it has been mended. */
export function FileField({ label, accept, onFile }: FileFieldProps) {
  return (
    <label className="block text-[13px]">
      <span className="block text-ink-soft">{label}</span>
      <input
        type="file"
        accept={accept}
        className="max-w-full file:mr-2 file:rounded file:border file:border-line-strong file:bg-raised file:px-2.5 file:py-1"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
