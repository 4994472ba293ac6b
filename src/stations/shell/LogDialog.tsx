'use client';
import { useEffect, useState } from 'react';
import * as z from 'zod/mini';
import { Dialog } from '@/ui/Dialog';
import { Heads } from '@/ui/Heads';
import { dayAndTime } from '../home/dayAndTime';
import { askJson } from '../home/request';
import { useProduction } from '../store/context';

const logSchema = z.array(
  z.object({ id: z.string(), label: z.string(), who: z.string(), at: z.string() }),
);

/** What was done, by whom, when: the newest first. */
export default function LogDialog({ onClose }: { onClose: () => void }) {
  const id = useProduction((state) => state.document.id);
  const revision = useProduction((state) => state.revision);
  const [log, setLog] = useState<z.infer<typeof logSchema> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    void askJson(`/api/productions/${id}/log`, logSchema).then((found) => {
      setProblem(found.ok ? null : found.message);
      if (found.ok) setLog(found.value);
    });
  }, [id, revision]);
  return (
    <Dialog title="Who did what" open onClose={onClose}>
      {problem && (
        <p role="alert" className="bg-stop-wash p-3 text-sm">
          {problem}
        </p>
      )}
      {log?.length === 0 && <p>Nothing has been changed since this production came here.</p>}
      <table className="rows w-full text-[14px]">
        <Heads of={['When', 'Who', 'What']} />
        <tbody>
          {log?.map(({ id: edit, label, who, at }) => (
            <tr key={edit}>
              <td className="figure whitespace-nowrap">{dayAndTime(at)}</td>
              <td>{who || 'the bench'}</td>
              <td>{label || 'a change'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-3 text-[13px] text-ink-soft">
        “The bench” is whoever sits at the computer Lantern Jar runs on. The last 300 of up to a
        thousand kept changes are shown.
      </p>
    </Dialog>
  );
}
