'use client';
import { useEffect, useState } from 'react';
import * as z from 'zod/mini';
import { Dialog } from '@/ui/Dialog';
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
      <table className="w-full text-left text-sm">
        <thead>
          <tr className="text-ink-soft">
            <th scope="col" className="py-1 pr-4 font-normal">
              When
            </th>
            <th scope="col" className="py-1 pr-4 font-normal">
              Who
            </th>
            <th scope="col" className="py-1 font-normal">
              What
            </th>
          </tr>
        </thead>
        <tbody>
          {log?.map(({ id: edit, label, who, at }) => (
            <tr key={edit} className="border-t border-line align-top">
              <td className="figure py-1 pr-4 whitespace-nowrap">{dayAndTime(at)}</td>
              <td className="py-1 pr-4">{who || 'the bench'}</td>
              <td className="py-1">{label || 'a change'}</td>
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
