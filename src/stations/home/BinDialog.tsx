'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import * as z from 'zod/mini';
import { BIN_DAYS, goneAtMs } from '@/core/document/bin';
import { Dialog } from '@/ui/Dialog';
import { dayAndTime } from './dayAndTime';
import { askJson, requestJson } from './request';

const listSchema = z.array(z.object({ id: z.string(), name: z.string(), deletedAt: z.string() }));

/** What was deleted, and how long it can still be taken back. */
export default function BinDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [list, setList] = useState<z.infer<typeof listSchema> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const look = useCallback(async () => {
    const found = await askJson('/api/bin', listSchema);
    setProblem(found.ok ? null : found.message);
    if (found.ok) setList(found.value);
  }, []);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- asked for once, when the panel opens
    void look();
  }, [look]);
  const takeBack = async (id: string) => {
    const outcome = await requestJson('POST', `/api/productions/${id}/restore`, {});
    if (!outcome.ok) return setProblem(outcome.message ?? null);
    router.refresh();
    await look();
  };
  return (
    <Dialog title="The bin" open onClose={onClose}>
      <p className="text-ink-soft">
        A deleted production lies here for {BIN_DAYS} days, with its photographs. After that it is
        gone for good.
      </p>
      {problem && (
        <p role="alert" className="mt-3 bg-stop-wash p-3 text-sm">
          {problem}
        </p>
      )}
      {list?.length === 0 && <p className="mt-3">Nothing is in it.</p>}
      <ul className="mt-3 divide-y divide-line border-y border-line">
        {list?.map(({ id, name, deletedAt }) => (
          <li
            key={id}
            data-binned={id}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2"
          >
            <span className="min-w-0 flex-1 truncate font-semibold">{name}</span>
            <span className="text-[13px] text-ink-soft">
              deleted {dayAndTime(deletedAt)}, kept until{' '}
              {new Date(goneAtMs(Date.parse(deletedAt))).toISOString().slice(0, 10)}
            </span>
            <button type="button" className="press" onClick={() => takeBack(id)}>
              Take it back<span className="sr-only">: {name}</span>
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
