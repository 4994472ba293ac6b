'use client';
import { ClipboardCheck, DoorClosed, DoorOpen } from 'lucide-react';
import { gateOf } from '@/core/power/wire';
import type { AtHand } from '../build/WithBuild';
import { usePowerUp } from './usePowerUp';

/** Whether the power-up gate is shut, waits for somebody to look, or is open: in an icon and words. */
export function GateMark({ build, readouts }: AtHand) {
  const { state, signed } = usePowerUp(build, readouts);
  const { stops, missing } = gateOf(readouts.findings);
  const why = [
    stops.length > 0 && `${stops.length} ${stops.length === 1 ? 'stop' : 'stops'}`,
    missing.length > 0 && `${missing.length} not known`,
  ].filter(Boolean);
  const left = build.copies - signed.length;
  const [Icon, words] = {
    shut: [DoorClosed, `Power-up gate shut: ${why.join(', ')}`] as const,
    'look over': [
      ClipboardCheck,
      build.copies === 1
        ? 'No stop. To be looked over'
        : `No stop. ${left} of ${build.copies} to be looked over`,
    ] as const,
    open: [DoorOpen, 'Power-up gate open'] as const,
  }[state];
  return (
    <p
      role="status"
      data-gate={state}
      className={`flex items-center gap-1.5 text-[13px] ${state === 'shut' ? 'font-semibold text-stop' : 'text-ink-soft'}`}
    >
      <Icon size={16} aria-hidden />
      {words}
    </p>
  );
}
