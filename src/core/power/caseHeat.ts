import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Enclosure } from '../build/things';
import type { Finding } from '../findings/finding';

/** Free air on the outside of a case, W/(m²·K) [common practice estimate, docs/model/power.md]. */
const CASE_W_PER_M2_K = 8;
export const ROOM_C = 25;
/** Hot to the touch; glue, tape and cords fail; a lamp's driver wears out fast, and dies [docs/model/power.md]. */
const TOUCH_C = 60;
const GLUE_C = 90;
const DRIVER_WARM_C = 75;
const DRIVER_C = 85;

const SOURCE =
  'ΔT = P·(1/h + d/λ)/A, h ≈ 8 W/(m²·K), room 25 °C; common practice estimate. Limits: touch 60 °C (IEC 60598, from memory), drivers 75 to 85 °C, glue and tape 90 °C';

/** Estimated temperatures of a case at full level: its outer face over free air, its inner one behind the wall. */
export function enclosureC(
  resolved: ResolvedBuild,
  { areaM2, resistanceM2KPerW, closed }: Enclosure,
): { outerC: number; innerC: number } {
  const heat = resolved.groups.reduce(
    (sum, { count, unit }) => sum + count * unit.wattsW.value * unit.heatShare,
    0,
  );
  const perM2 = heat / areaM2;
  const outerC = ROOM_C + perM2 / CASE_W_PER_M2_K;
  // An open case lets its warm air out: the wall's own resistance keeps nothing in.
  return { outerC, innerC: closed ? outerC + perM2 * resistanceM2KPerW : outerC };
}

interface Bound {
  atC: number;
  severity: 'stop' | 'look';
  what: string;
}

/** What must not happen inside and outside, the hardest first. */
function boundsOf(
  resolved: ResolvedBuild,
  { limitC, closed }: Enclosure,
): Record<'inner' | 'outer', Bound[]> {
  const drivers = resolved.groups.some(({ unit }) => unit.hasDriver);
  return {
    inner: [
      ...(limitC === null
        ? []
        : [{ atC: limitC, severity: 'stop' as const, what: 'its weakest layer or wall' }]),
      ...(closed ? [{ atC: GLUE_C, severity: 'stop' as const, what: 'glue, tape and cord' }] : []),
      ...(closed && drivers
        ? [
            { atC: DRIVER_C, severity: 'stop' as const, what: 'the lamps’ own electronics' },
            {
              atC: DRIVER_WARM_C,
              severity: 'look' as const,
              what: 'a long life of the lamps’ electronics',
            },
          ]
        : []),
    ],
    outer: [{ atC: TOUCH_C, severity: 'look', what: 'a hand on it' }],
  };
}

/** What a closed case's inside may reach, °C: looked at from the first on, stopped from the second. */
export function insideLimits(resolved: ResolvedBuild, enclosure: Enclosure) {
  const { inner } = boundsOf(resolved, enclosure);
  const lowest = (bounds: readonly Bound[]) => Math.min(...bounds.map(({ atC }) => atC));
  return {
    lookC: lowest(inner),
    stopC: lowest(inner.filter(({ severity }) => severity === 'stop')),
  };
}

const TITLES = {
  stop: 'Hotter inside than it bears',
  look: 'The case gets hot',
  ok: 'The case stays cool enough',
};

/** A case judged on its own: what it does to hands outside, to glue, layers and lamps inside. */
export function enclosureFindings(resolved: ResolvedBuild, enclosure: Enclosure): Finding[] {
  const { outerC, innerC } = enclosureC(resolved, enclosure);
  const where = { drawing: enclosure.ref, field: enclosure.field };
  if (enclosure.closed && resolved.groups.some(({ unit }) => unit.filament))
    return [
      {
        id: 'heat.closed-filament',
        topic: 'heat',
        severity: 'stop',
        title: 'Hot lamps in a closed case',
        message:
          'A filament lamp in a closed case overheats it: board, foam and film scorch and catch fire, metal burns hands and melts the cord. Use LED lamps, or leave the case open.',
        limit: 'no filament lamps in a closed box',
        source: 'Common practice',
        where,
      },
    ];
  const { inner, outer } = boundsOf(resolved, enclosure);
  const passed = [
    ...inner.filter(({ atC }) => innerC >= atC),
    ...outer.filter(({ atC }) => outerC >= atC),
  ];
  const worst = passed.find(({ severity }) => severity === 'stop') ?? passed[0];
  const severity = worst?.severity ?? 'ok';
  const inside = enclosure.closed
    ? `About ${Math.round(innerC)} °C inside and ${Math.round(outerC)} °C outside at full level, an estimate.`
    : `About ${Math.round(outerC)} °C at full level, an estimate.`;
  const next =
    severity === 'ok'
      ? 'Feel it after ten minutes and after an hour.'
      : `Too much for ${worst!.what}. Fewer watts, a bigger case or holes at top and bottom cool it.`;
  const lowest = insideLimits(resolved, enclosure).stopC;
  return [
    {
      id: 'heat.enclosure',
      topic: 'heat',
      severity,
      title: TITLES[severity],
      message: `${inside} ${next}`,
      limit: Number.isFinite(lowest)
        ? `${TOUCH_C} °C outside; ${lowest} °C inside`
        : `${TOUCH_C} °C outside`,
      source: SOURCE,
      where,
    },
  ];
}
