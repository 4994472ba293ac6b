'use client';
import { useState } from 'react';
import { MOST_FILE_BYTES } from '@/core/formats/unitSpread';
import type { readFixtureFile } from '@/core/evaluate/fixtureFile';
import type { Fixture } from '@/core/verdict/fixture';
import { FileField } from '@/ui/fields/FileField';
import { ask } from '@/workers/pool';

interface FixtureFileProps {
  fixture: Fixture;
  onChange: (label: string, set: (target: Fixture) => void) => void;
}

/** A fixture’s figures out of a photometric file. */
export function FixtureFile({ fixture, onChange }: FixtureFileProps) {
  const [said, setSaid] = useState<{ problem: boolean; words: string } | null>(null);
  const { frontWidthM, frontHeightM } = fixture;
  const open = async (file: File) => {
    try {
      const bytes = new Uint8Array(await file.slice(0, MOST_FILE_BYTES + 1).arrayBuffer());
      const found = await ask<ReturnType<typeof readFixtureFile>>(
        (api) => api.fixtureFile(bytes, file.name, { frontWidthM, frontHeightM }),
        { priority: 'soon' },
      );
      if (!found.ok) return setSaid({ problem: true, words: found.problems[0]!.message });
      const { figures, notes } = found.value;
      onChange('figures from a file', (target) => void Object.assign(target, figures));
      setSaid({ problem: false, words: notes.join('; ') });
    } catch (error) {
      setSaid({ problem: true, words: (error as Error).message });
    }
  };
  return (
    <div className="mt-3 border-t border-line pt-2">
      <FileField
        label="Or its figures from an LM-63 or EULUMDAT file"
        accept=".ies,.ldt"
        onFile={(file) => void open(file)}
      />
      {said && (
        <p
          role={said.problem ? 'alert' : 'status'}
          data-file={said.problem ? 'refused' : 'read'}
          className={`text-[13px] ${said.problem ? 'text-stop' : 'text-ink-soft'}`}
        >
          {said.words}
        </p>
      )}
    </div>
  );
}
