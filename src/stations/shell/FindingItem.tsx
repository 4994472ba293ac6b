'use client';
import type { Build } from '@/core/document/production';
import { setParameters } from '@/core/document/records';
import type { Finding, Remedy } from '@/core/findings/finding';
import { SeverityMark } from '@/ui/Severity';
import { useEdits } from '../store/useEdits';

interface FindingItemProps {
  finding: Finding;
  build: Build | null;
  /** goes to what it is about; without it there is no such button */
  onShow?: (finding: Finding) => void;
  /** what a way out costs, or brings up, in words */
  about?: (finding: Finding, remedy: Remedy) => string | null;
  /** where its question is answered there and then */
  children?: React.ReactNode;
}

/** One check with its limit, its source, and the ways out it offers. */
export function FindingItem({ finding, build, onShow, about, children }: FindingItemProps) {
  const edits = useEdits();
  const take = (remedy: Remedy) =>
    build &&
    edits.make(remedy.label, setParameters(build.id, remedy.parameters as Build['parameters']));
  const { drawing, field } = finding.where;
  return (
    <li data-finding={finding.id} className="border-b border-line py-3">
      <SeverityMark severity={finding.severity} />
      <h3 className="inline pl-2 text-base">{finding.title}</h3>
      <p className="mt-1 text-sm">{finding.message}</p>
      <p className="mt-1 text-[13px] text-ink-soft">
        {finding.limit && `Limit: ${finding.limit}. `}Source: {finding.source}.
      </p>
      <p className="mt-1.5 flex flex-wrap gap-2">
        {onShow && (drawing || field) && (
          <button type="button" className="press text-sm" onClick={() => onShow(finding)}>
            Show me
          </button>
        )}
        {build &&
          finding.remedies?.map((remedy) => (
            <button
              key={remedy.label}
              type="button"
              className="press text-sm"
              onClick={() => take(remedy)}
            >
              {remedy.label}
              {about?.(finding, remedy) && (
                <span className="pl-1.5 text-ink-soft">{about(finding, remedy)}</span>
              )}
            </button>
          ))}
      </p>
      {children}
    </li>
  );
}
