'use client';
import { DoorClosed, DoorOpen } from 'lucide-react';
import type { Finding } from '@/core/findings/finding';
import { gateOf } from '@/core/power/wire';

/** Whether the power-up gate is shut, in an icon and words. */
export function GateMark({ findings }: { findings: readonly Finding[] }) {
  const { open, stops } = gateOf(findings);
  const Door = open ? DoorOpen : DoorClosed;
  return (
    <p
      role="status"
      data-gate={open ? 'open' : 'shut'}
      className={`flex items-center gap-1.5 text-[13px] ${open ? 'text-ink-soft' : 'font-semibold text-stop'}`}
    >
      <Door size={16} aria-hidden />
      {open
        ? 'Power-up gate open'
        : `Power-up gate shut: ${stops.length} ${stops.length === 1 ? 'stop' : 'stops'}`}
    </p>
  );
}
