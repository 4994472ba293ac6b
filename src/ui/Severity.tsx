import { CircleCheck, CircleHelp, Eye, OctagonX } from 'lucide-react';
import type { Severity } from '@/core/findings/finding';

const MARKS = {
  stop: { Icon: OctagonX, word: 'Stop', ink: 'text-stop' },
  look: { Icon: Eye, word: 'Look', ink: 'text-look' },
  unknown: { Icon: CircleHelp, word: 'Unknown', ink: 'text-unknown' },
  ok: { Icon: CircleCheck, word: 'Fine', ink: 'text-ok' },
} as const;

export const severityWord = (severity: Severity): string => MARKS[severity].word;

/** Severity as shape, word and ink together; never ink alone. */
export function SeverityMark({ severity, bare }: { severity: Severity; bare?: boolean }) {
  const { Icon, word, ink } = MARKS[severity];
  return (
    <span className={`inline-flex items-center gap-1 whitespace-nowrap font-semibold ${ink}`}>
      <Icon size={15} aria-hidden />
      <span className={bare ? 'sr-only' : undefined}>{word}</span>
    </span>
  );
}
