'use client';
import type { Finding } from '@/core/findings/finding';
import { SeverityMark } from '@/ui/Severity';

/** What a label hides or exaggerates, above its fields. */
export function FindingNotes({ findings }: { findings: readonly Finding[] }) {
  return findings.map((finding) => (
    <p
      key={finding.id}
      data-finding={finding.id}
      className="mb-2 border-l-4 border-look pl-2 text-sm"
    >
      <SeverityMark severity={finding.severity} /> <strong>{finding.title}.</strong>{' '}
      {finding.message}{' '}
      <span className="text-ink-soft">
        {finding.limit && `Limit: ${finding.limit}. `}Source: {finding.source}.
      </span>
    </p>
  ));
}
