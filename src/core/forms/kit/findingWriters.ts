import type { Finding } from '../../findings/finding';
import type { PartOf } from '../../materials/part';
import type { Problem } from '../../result';

/** What cannot be made at all stops the build until it changes. */
export const stopsFor = (form: string, problems: readonly Problem[], drawing: string): Finding[] =>
  problems.map((problem) => ({
    id: `${form}.${problem.code}`,
    topic: 'geometry',
    severity: 'stop',
    title: 'This cannot be made',
    message: problem.message,
    source: 'Geometry',
    where: { field: problem.path, drawing },
  }));

/** Nothing chosen yet is an open question, not a mistake. */
export const notChosen = (
  form: string,
  open: readonly (readonly [
    what: string,
    chosen: unknown,
    field: string,
    drawing: string,
    message: string,
  ])[],
): Finding[] =>
  open.flatMap(([what, chosen, field, drawing, message]): Finding[] =>
    chosen
      ? []
      : [
          {
            id: `${form}.no-${what.replace(/\W+/g, '-')}`,
            topic: 'choice',
            severity: 'unknown',
            title: `No ${what} chosen`,
            message,
            source: 'This design',
            where: { field, drawing },
          },
        ],
  );

/** Writers of one finding each: topic, id, title, message, where, source, limit. */
const writer =
  (severity: Finding['severity']) =>
  (
    topic: Finding['topic'],
    id: string,
    title: string,
    message: string,
    where: Finding['where'],
    source = 'Common practice',
    limit?: string,
  ): Finding => ({ id, topic, severity, title, message, source, where, limit });

export const look = writer('look');
export const stop = writer('stop');
export const ok = writer('ok');

/** The table of layers is typical and says so, with the two-minute test that settles it. */
export const typicalLayers = (form: string, layers: readonly PartOf<'diffusion'>[]): Finding[] => {
  const guessed = layers.filter(
    ({ origins }) => (origins.transmittance ?? 'typical') === 'typical',
  );
  if (guessed.length === 0) return [];
  return [
    {
      id: `${form}.typical-layers`,
      topic: 'light',
      severity: 'unknown',
      title: 'The layers are typical, not yours',
      message: `${[...new Set(guessed.map(({ name }) => name))].join(', ')}: ± 20 % and more between shops. Two-minute test: meter with and without it; stops lost = log₂(E without / E with).`,
      source: 'Typical figures, from memory',
      where: { field: 'layer1PartId', drawing: 'layer' },
    },
  ];
};
