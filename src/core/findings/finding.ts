/** A check's outcome. `stop` blocks power-up until the design changes. */
export const SEVERITIES = ['stop', 'look', 'unknown', 'ok'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** A change of parameters that would clear a finding, offered with its numbers. */
export interface Remedy {
  label: string;
  /** Parameter name → new value, of the build the finding belongs to. */
  parameters: Record<string, unknown>;
}

/**
 * What a finding is about, and with it the station and the rung of the ladder that answer for it.
 * Stations and rungs by their ids; null where a topic has no rung.
 */
export const TOPICS = {
  form: { station: 'build', rung: null },
  geometry: { station: 'build', rung: null },
  choice: { station: 'build', rung: null },
  shot: { station: 'shot', rung: null },
  label: { station: 'shelf', rung: null },
  light: { station: 'glow', rung: 'light' },
  softness: { station: 'glow', rung: 'softness' },
  evenness: { station: 'glow', rung: 'evenness' },
  colour: { station: 'glow', rung: 'colour' },
  flicker: { station: 'wire', rung: 'flicker' },
  power: { station: 'wire', rung: 'power' },
  dimmer: { station: 'wire', rung: 'power' },
  tape: { station: 'wire', rung: 'power' },
  earth: { station: 'wire', rung: 'power' },
  heat: { station: 'wire', rung: 'heat' },
  hanging: { station: 'wire', rung: null },
  standing: { station: 'wire', rung: null },
  cut: { station: 'cut', rung: null },
} as const satisfies Record<string, { station: string; rung: string | null }>;
type Topic = keyof typeof TOPICS;

export interface Finding {
  /** stable: a changed number never changes it */
  id: string;
  topic: Topic;
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
    /** Parameter of the form, or `shot.…`, `unit.…`. */
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

/** Those a station answers for. */
export const ofStation = (
  findings: readonly Finding[],
  station: (typeof TOPICS)[Topic]['station'],
): Finding[] => findings.filter(({ topic }) => TOPICS[topic].station === station);

/** Those a rung of the ladder answers for. */
export const ofRung = (findings: readonly Finding[], rung: string): Finding[] =>
  findings.filter(({ topic }) => TOPICS[topic].rung === rung);

/** The worst of several; `ok` for none. */
export const worstOf = (severities: readonly Severity[]): Severity =>
  severities.reduce<Severity>(
    (found, severity) => (RANK[severity] < RANK[found] ? severity : found),
    'ok',
  );

/** The worst severity present; `ok` for none. */
export const worst = (findings: readonly Finding[]): Severity =>
  worstOf(findings.map(({ severity }) => severity));
