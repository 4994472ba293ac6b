/** A check's outcome. `stop` blocks power-up until the design changes. */
export const SEVERITIES = ['stop', 'look', 'unknown', 'ok'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** A change of parameters that would clear a finding, offered with its numbers. */
export interface Remedy {
  label: string;
  /** Parameter name → new value, of the build the finding belongs to. */
  parameters: Record<string, unknown>;
}

export interface Finding {
  id: string;
  severity: Severity;
  title: string;
  /** What can happen, to whom, and what to do. */
  message: string;
  /** The rule's limit in words, with its figure. */
  limit?: string;
  source: string;
  where: {
    /** `ref` of a shape on the drawing. */
    drawing?: string;
    /** Parameter of the form, or `shot.…`, `bulb.…`. */
    field?: string;
  };
  remedies?: Remedy[];
}

const RANK: Record<Severity, number> = { stop: 0, look: 1, unknown: 2, ok: 3 };

/** The one collector: gathers every engine's findings, worst first, each id once. */
export function collectFindings(...lists: readonly Finding[][]): Finding[] {
  const byId = new Map<string, Finding>();
  for (const finding of lists.flat()) {
    const known = byId.get(finding.id);
    if (!known || RANK[finding.severity] < RANK[known.severity]) byId.set(finding.id, finding);
  }
  return [...byId.values()].sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}

/** The worst severity present; `ok` for none. */
export function worst(findings: readonly Finding[]): Severity {
  return findings.reduce<Severity>(
    (found, { severity }) => (RANK[severity] < RANK[found] ? severity : found),
    'ok',
  );
}
